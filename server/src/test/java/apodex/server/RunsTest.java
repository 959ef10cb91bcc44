package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.OutsideTools;
import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class RunsTest {
    @TempDir
    private Path folder;

    private TestServer server;
    private Client client;

    @BeforeEach
    void connect() throws Exception {
        server = TestServer.shared();
        client = server.client();
    }

    private String smallSession() throws Exception {
        byte[] early = SoundBytes.riff()
                .broadcast(48_000_000, "2026-05-17")
                .format(1, 1, 48_000, 24)
                .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, List.of(1_000L, -2_000L, 3_000L)))
                .wave();
        byte[] late = SoundBytes.riff()
                .broadcast(48_000_002, "2026-05-17")
                .format(1, 2, 48_000, 24)
                .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, List.of(7L, 8L, 9L, 10L)))
                .wave();
        return client.bringIn(
                        "Low Tide Waltz", "Tuba.wav", early, "Room.wav", late, "Silence.wav", SoundBytes.mono24(0, 0))
                .json()
                .get("id")
                .asText();
    }

    @Test
    void aSessionGoesAllTheWayToAParcelThatOutsideToolsAccept() throws Exception {
        String session = smallSession();
        Answer created = client.post("/api/sessions/" + session + "/handoffs", "{\"name\": \"Quayside\"}");
        assertThat(created.status()).isEqualTo(201);
        JsonNode prints = created.json().get("plan").get("prints");
        assertThat(prints.findValuesAsText("file"))
                .containsExactly("01_Tuba.wav", "02_Room.wav", "00_Reference Mix.wav");
        assertThat(prints.findValuesAsText("station")).containsExactly("raw", "raw", "fader");
        assertThat(prints.findValues("channels").stream().map(JsonNode::asInt)).containsExactly(1, 2, 2);

        Answer started = client.post("/api/handoffs/" + created.json().get("id").asText() + "/runs", "");
        assertThat(started.status()).isEqualTo(202);
        String runId = started.json().get("id").asText();
        JsonNode run = client.await(runId);
        assertThat(run.get("state").asText()).as(run.toString()).isEqualTo("done");
        assertThat(run.get("progress").asDouble()).isEqualTo(1.0);
        assertThat(run.get("files").findValuesAsText("frames")).containsOnly("4");

        Answer parcel = client.get("/api/runs/" + runId + "/parcel");
        assertThat(parcel.header("Content-Disposition"))
                .isEqualTo("attachment; filename=\"Low Tide Waltz_For mixing_v1_48k_24bit.zip\"");
        Files.write(folder.resolve("p.zip"), parcel.whole().body());
        OutsideTools.run(folder, "unzip", "-q", "p.zip");
        assertThat(OutsideTools.run(folder, "sha256sum", "-c", "checksums.sha256")
                        .lines())
                .allMatch(line -> line.endsWith("OK"))
                .hasSize(13);
        for (JsonNode file : run.get("files")) {
            Path path = folder.resolve(file.get("folder").asText())
                    .resolve(file.get("name").asText());
            assertThat(OutsideTools.run(folder, "sha256sum", path.toString()))
                    .startsWith(file.get("sha256").asText());
        }
        byte[] tuba = Files.readAllBytes(folder.resolve("Tracks/01_Tuba.wav"));
        byte[] expected = SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, List.of(1_000L, -2_000L, 3_000L, 0L));
        assertThat(Arrays.copyOfRange(tuba, tuba.length - 12, tuba.length))
                .as("placed to the sample, bit-exact")
                .isEqualTo(expected);
        byte[] mix = Files.readAllBytes(folder.resolve("Reference/00_Reference Mix.wav"));
        assertThat(Arrays.copyOfRange(mix, mix.length - 24, mix.length))
                .isEqualTo(SoundBytes.integers(
                        ByteOrder.LITTLE_ENDIAN, 3, List.of(707L, 707L, -1_414L, -1_414L, 2_128L, 2_129L, 9L, 10L)));
        assertThat(client.get("/api/runs/" + runId + "/sheet").text())
                .isEqualTo(Files.readString(folder.resolve("Sheet/Session sheet.txt")));
        assertThat(client.get("/api/runs/" + runId + "/files/0/picture").whole().body())
                .hasSize(4 * 4);
    }

    private static long bytesIn(Path folder) throws Exception {
        try (Stream<Path> inside = Files.walk(folder)) {
            return inside.filter(Files::isRegularFile)
                    .mapToLong(file -> file.toFile().length())
                    .sum();
        }
    }

    @Test
    void aFileThatIsNotWhatWasProvedDoesNotLeaveTheHouse() throws Exception {
        String run = client.run(client.handoff(smallSession()));
        client.await(run);
        client.awaitSums(run);
        Path room = server.run(run).resolve("files/Tracks/02_Room.wav");
        byte[] whole = Files.readAllBytes(room);
        FileTime written = Files.getLastModifiedTime(room);
        Files.write(room, Arrays.copyOf(whole, whole.length - 3));
        assertRefused(run, 409, "“02_Room.wav” was altered since it was printed");
        byte[] other = whole.clone();
        other[other.length - 1] ^= 1;
        Files.write(room, other);
        Files.setLastModifiedTime(room, FileTime.fromMillis(written.toMillis() + 2_000));
        assertRefused(run, 409, "“02_Room.wav” was written to since it was read back");
        assertThat(client.get("/api/runs/" + run + "/parcel", "Range", "bytes=9-")
                        .status())
                .isEqualTo(409);
        client.post("/api/runs/" + run + "/proof", "");
        client.await(run);
        assertRefused(run, 409, "“02_Room.wav” was altered since it was printed");
        Files.write(room, whole);
        client.post("/api/runs/" + run + "/proof", "");
        client.await(run);
        assertThat(client.get("/api/runs/" + run + "/parcel").status())
                .as("it was put back as it was, and read again")
                .isEqualTo(200);
        Files.delete(room);
        assertRefused(run, 404, "“02_Room.wav” is not on the disk any more");
    }

    private void assertRefused(String run, int status, String words) throws Exception {
        Answer answer = client.get("/api/runs/" + run + "/parcel");
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.json().get("detail").asText()).contains(words);
    }

    private static String handoff(String json) {
        return "{\"handoff\": " + json + "}";
    }

    @Test
    void theSameRunTwiceGivesTheSameBytesAlsoWithDither() throws Exception {
        String handoff = client.handoff(smallSession());
        Answer changed = client.put(
                "/api/handoffs/" + handoff, handoff("{\"name\": \"Low\", \"settings\": {\"depth\": \"int16\"}}"));
        assertThat(changed.status()).isEqualTo(200);
        assertThat(changed.json().get("plan").get("depth").asText()).isEqualTo("int16");
        JsonNode one = client.await(client.run(handoff, "{\"version\": \"same\", \"everything\": true}"));
        JsonNode two = client.await(client.run(handoff, "{\"version\": \"same\", \"everything\": true}"));
        assertThat(one.get("files").findValuesAsText("sha256"))
                .hasSize(3)
                .isEqualTo(two.get("files").findValuesAsText("sha256"));
        assertThat(client.awaitSums(one.get("id").asText()))
                .isEqualTo(client.awaitSums(two.get("id").asText()));
        assertThat(List.of(one.get("number").asInt(), two.get("number").asInt()))
                .containsExactly(1, 2);
        assertThat(client.get("/api/handoffs/" + handoff + "/runs").json().findValuesAsText("number"))
                .containsExactly("2", "1");
    }

    @Test
    void aBrokenDownloadCanBeResumed() throws Exception {
        String run = client.run(client.handoff(smallSession()));
        client.await(run);
        byte[] whole = client.get("/api/runs/" + run + "/parcel").whole().body();
        Answer rest = client.get("/api/runs/" + run + "/parcel", "Range", "bytes=100-");
        assertThat(rest.status()).isEqualTo(206);
        assertThat(rest.header("Content-Range")).isEqualTo("bytes 100-" + (whole.length - 1) + "/" + whole.length);
        assertThat(rest.whole().body()).isEqualTo(Arrays.copyOfRange(whole, 100, whole.length));
        assertThat(client.get("/api/runs/" + run + "/parcel", "Range", "bytes=5-9")
                        .whole()
                        .body())
                .isEqualTo(Arrays.copyOfRange(whole, 5, 10));
        Answer behind = client.get("/api/runs/" + run + "/parcel", "Range", "bytes=" + (whole.length + 5) + "-");
        assertThat(behind.status()).isEqualTo(416);
        assertThat(behind.header("Content-Range")).isEqualTo("bytes */" + whole.length);
        assertThat(behind.whole().body()).isEmpty();
        assertThat(client.awaitSums(run))
                .containsExactly(
                        HexFormat.of().formatHex(apodex.audio.Digests.sha256().digest(whole)));
        Path home = server.run(run);
        assertThat(bytesIn(home))
                .as("nothing is written twice, but for pictures, the sheet and what a run remembers")
                .isLessThan(bytesIn(home.resolve("files")) + 400_000);
        String tag = rest.header("ETag");
        assertThat(tag).isNotBlank();
        assertThat(client.get("/api/runs/" + run + "/parcel", "If-None-Match", tag)
                        .status())
                .isEqualTo(304);
    }

    @Test
    void choicesAreKeptAndRefusedWhenTheSessionCannotGiveThem() throws Exception {
        String handoff = client.handoff(smallSession());
        String byHand =
                "{\"name\": \"One\", \"brief\": {\"name\": \"By hand\", \"rows\": \"all\", \"stations\": {}, \"settings\": null}, \"added\": [";
        JsonNode one = client.put(
                        "/api/handoffs/" + handoff,
                        "{\"revision\": 1, \"handoff\": " + byHand + "{\"row\": \"r2\", \"station\": \"raw\"}]}}")
                .json();
        assertThat(one.get("plan").get("prints").findValuesAsText("file")).containsExactly("02_Room.wav");
        assertThat(client.get("/api/handoffs/" + handoff).json().get("plan").get("prints"))
                .hasSize(1);
        assertThat(client.put("/api/handoffs/" + handoff, "{\"revision\": 1, \"handoff\": {\"name\": \"Stale\"}}")
                        .status())
                .isEqualTo(409);
        for (String body : List.of(
                "{\"name\": \"x\", \"added\": [{\"row\": \"r9\", \"station\": \"raw\"}]}",
                "{\"name\": \"x\", \"added\": [{\"row\": \"r1\", \"station\": \"bus\"}]}",
                "{\"name\": \"x\", \"settings\": {\"depth\": \"int12\"}}",
                "{\"name\": \"x\", \"added\": [null]}",
                "{\"name\": \"x\", \"byRow\": {\"r1\": null}}",
                "{\"name\": \"x\", \"settings\": {\"format\": \"ogg\"}}",
                "{\"name\": \"x\", \"sections\": [{\"name\": \"\", \"stretch\": {\"from\": {\"unit\": \"bars\", \"at\": 3}, \"to\": {\"unit\": \"bars\", \"at\": 3}}}]}",
                "{\"name\": \"x\", \"sections\": [{\"stretch\": {}}]}",
                "{\"name\": \"x\", \"sections\": [null]}",
                "{\"name\": \"x\", \"sections\": [{\"stretch\": {\"from\": {\"unit\": \"marker\", \"at\": 0, \"marker\": \"gone\"}, \"to\": {\"unit\": \"bars\", \"at\": 3}}}]}",
                "{\"name\": \"x\", \"settings\": {\"leadInBars\": 1000}}",
                "{\"name\": \"x\", \"settings\": {\"rate\": 7}}",
                "{\"name\": \"x\", \"settings\": {\"format\": \"flac\", \"depth\": \"float32\"}}",
                "{\"name\": \"x\", \"byRow\": {\"r9\": {}}}",
                "{\"name\": \"x\", \"brief\": {\"name\": \"\"}}",
                "{\"name\": \"x\", \"brief\": {\"name\": \"b\", \"stations\": {\"audio\": [null]}}}",
                "{\"name\": \"x\", \"added\": [{\"row\": \"r1\", \"station\": null}]}",
                "{\"name\": \"\"}",
                "{}",
                "null")) {
            assertThat(client.put("/api/handoffs/" + handoff, handoff(body)).status())
                    .as(body)
                    .isIn(400, 422);
        }
        client.put("/api/handoffs/" + handoff, handoff(byHand + "]}"));
        Answer empty = client.post("/api/handoffs/" + handoff + "/runs", "");
        assertThat(empty.status()).isEqualTo(422);
        assertThat(empty.json().get("detail").asText()).contains("no files");
        assertThat(client.post("/api/handoffs/none/runs", "").status()).isEqualTo(404);
        assertThat(client.get("/api/runs/none/parcel").status()).isEqualTo(404);
    }

    @Test
    void eventsTellTheWayToTheEnd() throws Exception {
        String run = client.run(client.handoff(LongSessions.make(server, 6, 100)));
        HttpResponse<java.util.stream.Stream<String>> events = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(client.uri("/api/runs/" + run + "/events"))
                                .build(),
                        HttpResponse.BodyHandlers.ofLines());
        assertThat(events.headers().firstValue("Content-Type"))
                .hasValueSatisfying(type -> assertThat(type).startsWith("text/event-stream"));
        ObjectMapper json = new ObjectMapper();
        List<JsonNode> pulses = new java.util.ArrayList<>();
        for (String line : (Iterable<String>) events.body()::iterator) { // ends when the server ends the stream
            if (line.startsWith("data:")) {
                pulses.add(json.readTree(line.substring(5)));
            }
        }
        List<Double> fractions = pulses.stream()
                .map(pulse -> pulse.get("progress").get("fraction").asDouble())
                .toList();
        assertThat(fractions).isSorted().hasSizeGreaterThan(2).last().isEqualTo(1.0);
        assertThat(pulses.get(pulses.size() - 1).get("state").asText()).isEqualTo("done");
        assertThat(client.post("/api/runs/" + run + "/proof", "")
                        .json()
                        .get("state")
                        .asText())
                .isEqualTo("proofing");
        assertThat(client.get("/api/runs/" + run + "/parcel", "Range", "bytes=0-9")
                        .status())
                .as("what was finished can be fetched while it is read again")
                .isEqualTo(206);
        client.await(run);
    }

    @Test
    void pressesAtTheSameMomentAreRunsOfTheirOwnAndOnePressIsOne() throws Exception {
        String handoff = client.handoff(smallSession());
        List<Answer> ten = TestServer.atOnce(10, i -> client.post("/api/handoffs/" + handoff + "/runs", ""));
        assertThat(ten).extracting(Answer::status).containsOnly(202);
        JsonNode runs = client.get("/api/handoffs/" + handoff + "/runs").json();
        assertThat(runs.findValuesAsText("version"))
                .containsExactlyInAnyOrder("v1", "v2", "v3", "v4", "v5", "v6", "v7", "v8", "v9", "v10");
        List<Answer> same =
                TestServer.atOnce(10, i -> client.post("/api/handoffs/" + handoff + "/runs", "{\"press\": \"7.a\"}"));
        assertThat(same).extracting(Answer::status).containsOnly(202);
        assertThat(same)
                .extracting(answer -> answer.json().get("id").asText())
                .containsOnly(same.get(0).json().get("id").asText());
        String last = same.get(0).json().get("id").asText();
        client.post("/api/runs/" + last + "/cancel", "");
        if (client.await(last).get("state").asText().equals("cancelled")) {
            List<Answer> again = TestServer.atOnce(6, i -> client.post("/api/runs/" + last + "/retry", ""));
            assertThat(again).extracting(Answer::status).containsOnly(202);
            assertThat(again.stream()
                            .map(answer -> answer.json().get("id").asText())
                            .distinct())
                    .hasSize(1);
        }
        client.await(client.run(handoff));
    }

    @Test
    void aCancelledRunLeavesNothingAndTheNextOneGoesThrough() throws Exception {
        String session = LongSessions.make(server, 16, 600);
        String handoff = client.handoff(session);
        String running = client.run(handoff);
        String waiting = client.run(handoff);
        for (int i = 0;
                i < 400
                        && client.get("/api/runs/" + running)
                                        .json()
                                        .get("progress")
                                        .asDouble()
                                < 0.02;
                i++) {
            Thread.sleep(25);
        }
        Answer refused = client.get("/api/runs/" + running + "/parcel");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().get("detail").asText()).contains("still printing");
        assertThat(client.post("/api/runs/" + waiting + "/cancel", "")
                        .json()
                        .get("state")
                        .asText())
                .isEqualTo("cancelled");
        client.post("/api/runs/" + running + "/cancel", "");
        assertThat(client.await(running).get("state").asText()).isEqualTo("cancelled");
        assertThat(server.run(running)).doesNotExist();
        assertThat(client.await(client.run(client.handoff(smallSession())))
                        .get("state")
                        .asText())
                .isEqualTo("done");
        assertThat(client.get("/api/runs/" + waiting).json().get("state").asText())
                .isEqualTo("cancelled");
    }

    @Test
    void aRecordingThatVanishesBeforeItsTurnFailsTheRunAndLeavesNothing() throws Exception {
        String blocking = client.run(client.handoff(LongSessions.make(server, 16, 600)));
        String session = client.bringIn("Goes", "a.wav", SoundBytes.mono24(9_901, 9_902, 9_903))
                .json()
                .get("id")
                .asText();
        String waiting = client.run(client.handoff(session));
        String hash = client.get("/api/sessions/" + session)
                .json()
                .get("session")
                .get("recordings")
                .get(0)
                .get("sha256")
                .asText();
        Path recordings = server.run("x").getParent().resolveSibling("recordings");
        Files.delete(recordings.resolve(hash.substring(0, 2)).resolve(hash).resolve("original"));
        client.post("/api/runs/" + blocking + "/cancel", "");
        JsonNode failed = client.await(waiting);
        assertThat(failed.get("state").asText()).isEqualTo("failed");
        assertThat(failed.get("failure").asText())
                .isEqualTo(
                        "Printing stopped: The recording “a.wav” of row “a” cannot be read. Its file is not in the store any more.");
        assertThat(server.run(waiting)).doesNotExist();
        assertThat(client.get("/api/runs/" + waiting + "/parcel").status()).isEqualTo(409);
        assertThat(client.await(client.run(client.handoff(smallSession())))
                        .get("state")
                        .asText())
                .as("the server lives on")
                .isEqualTo("done");
    }

    @Test
    void aVanishedRecordingIsSaidInThePlanAndWhatItIsInIsNotPrinted() throws Exception {
        String session = client.bringIn("Gone", "a.wav", SoundBytes.mono24(4_711, 4_712, 4_713))
                .json()
                .get("id")
                .asText();
        String handoff = client.handoff(session);
        client.await(client.run(handoff));
        String hash = client.get("/api/sessions/" + session)
                .json()
                .get("session")
                .get("recordings")
                .get(0)
                .get("sha256")
                .asText();
        Path recordings = server.run("x").getParent().resolveSibling("recordings");
        Path home = recordings.resolve(hash.substring(0, 2)).resolve(hash);
        Files.move(home.resolve("original"), home.resolve("hidden"));
        Answer plan = client.get("/api/handoffs/" + handoff);
        assertThat(plan.status()).isEqualTo(200);
        assertThat(plan.json().get("plan").get("prints")).isEmpty();
        assertThat(plan.json().get("plan").get("rows").get(0).get("unmade").asText())
                .isEqualTo("The recording “a.wav” of row “a” cannot be read. Its file is not in the store any more.");
        assertThat(client.post("/api/handoffs/" + handoff + "/runs", "{}").status())
                .as("there is nothing left to print")
                .isEqualTo(422);
        assertThat(client.get("/api/handoffs/" + handoff + "/runs").json())
                .as("what was printed stays in sight")
                .hasSize(1);
        Files.move(home.resolve("hidden"), home.resolve("original"));
        assertThat(client.get("/api/handoffs/" + handoff).status()).isEqualTo(200);
    }
}
