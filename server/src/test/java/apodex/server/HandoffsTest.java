package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Briefs, several handoffs, runs that print only what changed, the queue, and proving again. */
final class HandoffsTest {
    private TestServer server;
    private Client client;

    @BeforeEach
    void begin() throws Exception {
        server = TestServer.shared();
        client = server.client();
    }

    private String session() throws Exception {
        return client.bringIn(
                        "Low Tide Waltz",
                        "Tuba.wav",
                        SoundBytes.mono24(noise(1)),
                        "Harp.wav",
                        SoundBytes.mono24(noise(2)),
                        "Bell.wav",
                        SoundBytes.mono24(noise(3)))
                .json()
                .get("id")
                .asText();
    }

    private static int[] noise(int seed) {
        return new java.util.Random(seed).ints(24_000, -2_000_000, 2_000_000).toArray();
    }

    private static String change(JsonNode state, String field, String json) throws Exception {
        ObjectNode handoff = state.get("handoff").deepCopy();
        handoff.set(field, new com.fasterxml.jackson.databind.ObjectMapper().readTree(json));
        return "{\"revision\": " + state.get("revision").asInt() + ", \"handoff\": " + handoff + "}";
    }

    @Test
    void aBriefIsSentAsAFileAndTakenIn() throws Exception {
        JsonNode own = client.post(
                        "/api/briefs",
                        "{\"name\": \"Pier stems\", \"rows\": \"top\", \"stations\": {}, \"settings\": {\"rate\": 44100}}")
                .json();
        TestServer.Answer file = client.get("/api/briefs/" + own.get("id").asText() + "/file");
        assertThat(file.header("Content-Disposition")).contains("Pier");
        String document = file.whole().body().length == 0 ? "" : file.json().toString();
        JsonNode same = client.post("/api/briefs/file", document).json();
        assertThat(same.get("id")).as("it is here already").isEqualTo(own.get("id"));
        JsonNode other = client.post("/api/briefs/file", document.replace("44100", "48000"))
                .json();
        assertThat(other.get("brief").get("name").asText()).isEqualTo("Pier stems (2)");
        TestServer.Answer newer = client.post("/api/briefs/file", document.replace("\"version\":1", "\"version\":9"));
        assertThat(newer.status()).isEqualTo(400);
        assertThat(newer.json().get("detail").asText()).contains("newer Apodex");
        assertThat(client.post("/api/briefs/file", "{\"form\": \"x\", \"version\": 1}")
                        .status())
                .isEqualTo(400);
        for (JsonNode made : List.of(own, other)) {
            client.delete("/api/briefs/" + made.get("id").asText());
        }
    }

    @Test
    void windowsThatOpenASessionAtOnceGetOneFirstHandoff() throws Exception {
        String session = client.bringIn("First", "a.wav", SoundBytes.mono24(1, 2, 3))
                .json()
                .get("id")
                .asText();
        List<Answer> answers = TestServer.atOnce(
                8, i -> client.put("/api/sessions/" + session + "/handoffs/first", "{\"name\": \"The mixer\"}"));
        assertThat(answers).extracting(Answer::status).containsOnly(200);
        assertThat(answers.stream()
                        .map(answer -> answer.json().get("id").asText())
                        .distinct())
                .hasSize(1);
        assertThat(client.get("/api/sessions/" + session + "/handoffs").json()).hasSize(1);
        assertThat(client.put("/api/sessions/none/handoffs/first", "{\"name\": \"x\"}")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void briefsAreCopiedChangedSharedAndOneIsTheUsual() throws Exception {
        JsonNode all = client.get("/api/briefs").json();
        assertThat(all.findValuesAsText("id")).contains("for-mixing", "for-overdubs", "groups", "archive");
        ObjectNode groups = all.get(2).get("brief").deepCopy();
        assertThat(client.post("/api/briefs", groups.toString()).status())
                .as("the name is taken")
                .isEqualTo(409);
        groups.put("name", "Groups, ours");
        Answer made = client.post("/api/briefs", groups.toString());
        assertThat(made.status()).isEqualTo(201);
        String id = made.json().get("id").asText();
        assertThat(client.put("/api/briefs/groups", groups.toString()).status())
                .as("what comes with Apodex stays")
                .isEqualTo(409);
        ((ObjectNode) groups.get("settings")).put("depth", "int16");
        assertThat(client.put("/api/briefs/" + id, groups.toString())
                        .json()
                        .get("brief")
                        .get("settings")
                        .get("depth")
                        .asText())
                .isEqualTo("int16");
        assertThat(client.post("/api/briefs/" + id + "/usual", "")
                        .json()
                        .get("usual")
                        .asBoolean())
                .isTrue();
        JsonNode begun = client.post("/api/sessions/" + session() + "/handoffs", "{\"name\": \"A\"}")
                .json();
        assertThat(begun.get("handoff").get("brief").get("name").asText()).isEqualTo("Groups, ours");
        assertThat(begun.get("plan").get("depth").asText()).isEqualTo("int16");
        assertThat(client.delete("/api/briefs/" + id).status()).isEqualTo(204);
        assertThat(client.get("/api/briefs").json().get(0).get("usual").asBoolean())
                .as("the first one stands in")
                .isTrue();
        assertThat(client.get("/api/handoffs/" + begun.get("id").asText())
                        .json()
                        .get("handoff")
                        .get("brief")
                        .get("name")
                        .asText())
                .as("a handoff keeps what it was made with")
                .isEqualTo("Groups, ours");
        assertThat(client.delete("/api/briefs/archive").status()).isEqualTo(409);
        assertThat(client.post("/api/briefs/none/usual", "").status()).isEqualTo(404);
        assertThat(client.post("/api/briefs", "{\"name\": \" \"}").status()).isIn(400, 422);
        assertThat(client.post("/api/briefs", "{\"name\": \"x\", \"stations\": {\"audio\": [\"nowhere\"]}}")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void anotherBriefPlansAgainAndSaysWhatStays() throws Exception {
        String id = client.handoff(session());
        JsonNode state = client.get("/api/handoffs/" + id).json();
        state = client.put(
                        "/api/handoffs/" + id,
                        change(state, "byRow", "{\"r1\": {\"trimDb\": -2.0, \"words\": {\"raw\": \"Close\"}}}"))
                .json();
        state = client.put("/api/handoffs/" + id, change(state, "leftOut", "[{\"row\": \"r2\", \"station\": \"raw\"}]"))
                .json();
        assertThat(state.get("plan").get("prints").findValuesAsText("file"))
                .containsExactly("01_Tuba_Close.wav", "03_Bell.wav", "00_Reference Mix.wav");
        assertThat(state.get("byHand").toString())
                .contains("1 file left out", "trim of 1 row", "words in names of 1 row");
        JsonNode archive = client.get("/api/briefs").json().get(3).get("brief");
        state = client.put("/api/handoffs/" + id, change(state, "brief", archive.toString()))
                .json();
        assertThat(state.get("plan").get("prints").findValuesAsText("file"))
                .contains("01_Tuba_Close.wav")
                .doesNotContain("02_Harp.wav", "02_Harp_Dry.wav");
        assertThat(state.get("byHand").toString()).contains("1 file left out", "trim of 1 row");
        assertThat(state.get("plan").get("document").asBoolean()).isTrue();
        assertThat(state.get("estimate").get("bytesFree").asLong()).isPositive();
        String session = state.get("sessionId").asText();
        assertThat(client.post("/api/sessions/" + session + "/handoffs", "{\"name\": \"Singer\"}")
                        .status())
                .isEqualTo(201);
        assertThat(client.get("/api/sessions/" + session + "/handoffs").json()).hasSize(2);
        assertThat(client.delete("/api/handoffs/" + id).status()).isEqualTo(204);
        assertThat(client.get("/api/sessions/" + session + "/handoffs").json().findValuesAsText("name"))
                .containsExactly("Singer");
    }

    @Test
    void aSecondRunTakesOverWhatDidNotChangeAndSaysWhatDid() throws Exception {
        String session = session();
        String handoff = client.handoff(session);
        JsonNode first = client.await(client.run(handoff));
        assertThat(first.get("version").asText()).isEqualTo("v1");
        client.post(
                "/api/sessions/" + session + "/edits",
                "{\"revision\": 1, \"edit\": {\"type\": \"setFader\", \"row\": \"r2\", \"faderDb\": -6.0, \"pan\": 0.0, \"muted\": false, \"soloed\": false}}");
        JsonNode since = client.get("/api/handoffs/" + handoff + "/changes").json();
        assertThat(since.get("fresh").toString()).isEqualTo("[\"Reference/00_Reference Mix.wav\"]");
        assertThat(since.get("words").toString()).contains("Harp");
        JsonNode second = client.await(client.run(handoff, "{\"version\": \"softer\", \"everything\": null}"));
        assertThat(second.get("version").asText()).isEqualTo("softer");
        assertThat(second.get("changes").get("number").asInt()).isEqualTo(1);
        assertThat(second.get("parcels").findValuesAsText("changesSince"))
                .as("everything, and what is new alone")
                .containsExactly("null", first.get("version").asText());
        assertThat(second.get("parcels").get(1).get("bytes").asLong())
                .isLessThan(second.get("parcels").get(0).get("bytes").asLong());
        byte[] small = client.get("/api/runs/" + second.get("id").asText() + "/parcel?part=1")
                .whole()
                .body();
        assertThat(TestServer.namesInZip(small))
                .contains("What changed.html", "Reference/00_Reference Mix.wav", "Sheet/Session sheet.pdf")
                .noneMatch(name -> name.startsWith("Tracks/"));
        assertThat(second.get("files").findValuesAsText("takenOver")).containsExactly("true", "true", "true", "false");
        for (int i = 0; i < 3; i++) {
            assertThat(second.get("files").get(i).get("sha256"))
                    .isEqualTo(first.get("files").get(i).get("sha256"));
        }
        assertThat(second.get("files").get(3).get("sha256"))
                .isNotEqualTo(first.get("files").get(3).get("sha256"));
        assertThat(second.get("parcels").get(0).get("name").asText()).contains("_softer_");
        Path tuba = server.run(second.get("id").asText()).resolve("files/Tracks/01_Tuba.wav");
        Files.write(tuba, new byte[] {1, 2, 3}, StandardOpenOption.WRITE);
        Path older = server.run(first.get("id").asText()).resolve("files/Tracks/01_Tuba.wav");
        Files.delete(older);
        JsonNode third = client.await(client.run(handoff));
        assertThat(third.get("files").findValuesAsText("takenOver"))
                .as("what was altered or is gone is printed again")
                .containsExactly("false", "true", "true", "true");
        assertThat(third.get("files").get(0).get("sha256"))
                .isEqualTo(first.get("files").get(0).get("sha256"));
        assertThat(client.await(client.run(handoff, "{\"everything\": true}"))
                        .get("files")
                        .findValuesAsText("takenOver"))
                .doesNotContain("true");
    }

    @Test
    void readingAgainNamesWhatWasAlteredSince() throws Exception {
        JsonNode run = client.await(client.run(client.handoff(session())));
        String id = run.get("id").asText();
        Path files = server.run(id).resolve("files/Tracks");
        byte[] harp = Files.readAllBytes(files.resolve("02_Harp.wav"));
        harp[harp.length - 10] ^= 1;
        Files.write(files.resolve("02_Harp.wav"), harp);
        Files.delete(files.resolve("03_Bell.wav"));
        assertThat(client.post("/api/runs/" + id + "/proof", "").status()).isEqualTo(202);
        JsonNode again = client.await(id);
        List<String> headlines = again.get("verdicts").findValuesAsText("headline");
        assertThat(headlines)
                .contains("In 02_Harp.wav 1 sample differs from what was printed", "03_Bell.wav is not on the disk");
        JsonNode altered =
                again.get("verdicts").get(headlines.indexOf("In 02_Harp.wav 1 sample differs from what was printed"));
        assertThat(altered.get("files").toString()).isEqualTo("[\"Tracks/02_Harp.wav\"]");
        assertThat(altered.get("remedy").asText()).isEqualTo("printAgain");
        assertThat(client.post("/api/runs/none/proof", "").status()).isEqualTo(404);
    }

    @Test
    void readingAgainNeverKeepsWhatHoldsNoLonger() throws Exception {
        String id =
                client.await(client.run(client.handoff(session()))).get("id").asText();
        Path files = server.run(id).resolve("files");
        Path tuba = files.resolve("Tracks/01_Tuba.wav");
        Files.write(tuba, Arrays.copyOf(Files.readAllBytes(tuba), (int) Files.size(tuba) - 4));
        Files.write(files.resolve("Tracks/02_Harp.wav"), new byte[0]);
        Files.delete(files.resolve("Reference/00_Reference Mix.wav"));
        assertThat(client.post("/api/runs/" + id + "/cancel", "").status())
                .as("it is over")
                .isLessThan(300);
        assertThat(readAgain(id))
                .filteredOn(verdict -> verdict.get("grade").asText().equals("wrong"))
                .extracting(verdict -> verdict.get("headline").asText())
                .hasSize(3)
                .anyMatch(headline -> headline.matches("01_Tuba.wav (is .* short|cannot be read)"))
                .contains("02_Harp.wav cannot be read", "00_Reference Mix.wav is not on the disk");
        Files.delete(files.resolveSibling("result.json"));
        assertThat(readAgain(id))
                .as("what cannot be read again is not called good")
                .singleElement()
                .satisfies(verdict -> {
                    assertThat(verdict.get("grade").asText()).isEqualTo("wrong");
                    assertThat(verdict.get("headline").asText()).isEqualTo("Not read back");
                });
    }

    private List<JsonNode> readAgain(String run) throws Exception {
        assertThat(client.post("/api/runs/" + run + "/proof", "").status()).isEqualTo(202);
        List<JsonNode> verdicts = new ArrayList<>();
        client.await(run).get("verdicts").forEach(verdicts::add);
        return verdicts;
    }

    @Test
    void aRowThatIsGoneDoesNotBlockItsHandoff() throws Exception {
        String session = session();
        String handoff = client.handoff(session);
        String asked = "{\"name\": \"Kept\", \"added\": [{\"row\": \"r2\", \"station\": \"fader\"}],"
                + " \"byRow\": {\"r2\": {\"trimDb\": -3.0}}}";
        assertThat(client.put("/api/handoffs/" + handoff, "{\"handoff\": " + asked + "}")
                        .status())
                .isEqualTo(200);
        client.post(
                "/api/sessions/" + session + "/edits",
                "{\"revision\": 1, \"edit\": {\"type\": \"removeRow\", \"row\": \"r2\"}}");
        Answer changed =
                client.put("/api/handoffs/" + handoff, "{\"handoff\": " + asked.replace("Kept", "Changed") + "}");
        assertThat(changed.status()).as(changed.text()).isEqualTo(200);
        assertThat(changed.json().get("handoff").get("added")).isEmpty();
        assertThat(client.put("/api/handoffs/" + handoff, "{\"handoff\": " + asked.replace("r2", "r99") + "}")
                        .status())
                .as("a new wish for a row that is not there")
                .isEqualTo(422);
    }

    @Test
    void whatWaitsCanBePutInOrderAndWhatFailedTriedAgain() throws Exception {
        String blocking = client.run(client.handoff(LongSessions.make(server, 16, 600)));
        String one = client.run(client.handoff(session()));
        String two = client.run(client.handoff(session()));
        String three = client.run(client.handoff(session()));
        assertThat(waiting()).containsSubsequence(one, two, three);
        Answer moved = client.post("/api/queue/" + three + "/place", "{\"before\": \"" + one + "\"}");
        assertThat(moved.status()).isEqualTo(200);
        assertThat(waiting()).containsSubsequence(three, one, two);
        assertThat(client.post("/api/queue/" + blocking + "x/place", "{\"before\": null}")
                        .status())
                .isEqualTo(409);
        client.post("/api/runs/" + two + "/cancel", "");
        client.post("/api/runs/" + blocking + "/cancel", "");
        client.await(one);
        client.await(three);
        assertThat(started(three)).as("it came first").isLessThan(started(one));
        Answer retried = client.post("/api/runs/" + two + "/retry", "");
        assertThat(retried.status()).isEqualTo(202);
        assertThat(client.await(retried.json().get("id").asText()).get("state").asText())
                .isEqualTo("done");
        assertThat(client.post("/api/runs/" + one + "/retry", "").status())
                .as("nothing to try again")
                .isEqualTo(409);
        assertThat(waiting()).doesNotContain(one, two, three, blocking);
    }

    private List<String> waiting() throws Exception {
        return client.get("/api/queue").json().findValuesAsText("id");
    }

    private java.nio.file.attribute.FileTime started(String run) throws Exception {
        return Files.getLastModifiedTime(server.run(run).resolve("result.json"));
    }

    @Test
    void thePrintedFilesAreHeardTogetherOrAlone() throws Exception {
        String run =
                client.await(client.run(client.handoff(session()))).get("id").asText();
        byte[] all =
                client.get("/api/runs/" + run + "/sound?from=0&to=1000").whole().body();
        assertThat(all).hasSize(8_000);
        byte[] one = client.get("/api/runs/" + run + "/sound?from=100&to=101&files=0")
                .whole()
                .body();
        float left = java.nio.ByteBuffer.wrap(one)
                .order(java.nio.ByteOrder.LITTLE_ENDIAN)
                .getFloat();
        assertThat((double) left)
                .as("at unity, in the middle, turned down by the 3 dB that the pan law takes off the mix")
                .isCloseTo(Math.sqrt(0.5) * noise(1)[100] / 8_388_608.0, org.assertj.core.api.Assertions.within(0.002));
        assertThat(client.get("/api/runs/" + run + "/sound?from=0&to=10&reference=true")
                        .whole()
                        .body())
                .hasSize(80);
        assertThat(client.get("/api/runs/" + run + "/sound?from=900000000").status())
                .isEqualTo(422);
        assertThat(client.get("/api/runs/" + run + "/sound?from=0&section=7").status())
                .isEqualTo(404);
    }
}
