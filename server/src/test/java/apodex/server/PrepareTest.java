package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SoundBytes;
import apodex.intake.RecordingStore;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.boot.autoconfigure.web.servlet.WebMvcProperties;

/** Findings, names, adjustments, files into a session and out of it, and listening, over HTTP. */
final class PrepareTest {
    private static final int SECOND = 48_000;
    private static final int NEVER = 1 << 30;

    private static byte[] stereo(int frames, int clippedFrom) {
        List<Long> values = new ArrayList<>();
        for (int i = 0; i < frames; i++) {
            boolean full = i >= clippedFrom && i < clippedFrom + 5;
            values.add(full ? 8_388_607L : Math.round(2_000_000 * Math.sin(i / 40.0)));
            values.add(full ? 8_388_607L : Math.round(1_000_000 * Math.sin(i / 55.0)));
        }
        return SoundBytes.riff()
                .format(1, 2, SECOND, 24)
                .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, values))
                .wave();
    }

    private static String session(Client client, Object... files) throws Exception {
        return client.bringIn("Waltz", files).json().get("id").asText();
    }

    private static JsonNode report(Client client, String id, String handoff) throws Exception {
        JsonNode report;
        do {
            report = client.get("/api/sessions/" + id + "/findings?handoff=" + handoff)
                    .json();
        } while (report.get("unmeasured").asInt() > 0);
        return report;
    }

    private static JsonNode found(JsonNode report, String check) {
        for (JsonNode each : report.get("findings")) {
            if (each.get("finding").get("check").asText().equals(check)) {
                return each;
            }
        }
        return null;
    }

    /** What leaves a finding as it is. */
    private static String leaving(JsonNode found) throws Exception {
        return new ObjectMapper()
                .writeValueAsString(Map.of(
                        "key",
                        found.get("finding").get("key").asText(),
                        "seen",
                        found.get("seen").asText()));
    }

    @Test
    void findingsAreMeasuredOnceAndStayDismissedUntilTheirEvidenceChanges() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "kik_final2.wav", stereo(SECOND, 9_000));
        String handoff = client.handoff(id);
        assertThat(client.get("/api/sessions/" + id + "/findings").json().get("findings"))
                .as("the cheap ones come at once")
                .isNotEmpty();
        JsonNode clipped = found(report(client, id, handoff), "clippedRecording");
        JsonNode summary = client.get("/api/sessions/" + id + "/findings/summary?handoff=" + handoff)
                .json();
        assertThat(summary.get("open").get("look").asInt()
                        + summary.get("open").get("know").asInt())
                .isEqualTo(report(client, id, handoff).get("findings").size());
        assertThat(clipped.get("dismissed").asBoolean()).isFalse();
        String leave = leaving(clipped);
        assertThat(client.post("/api/sessions/" + id + "/findings/leave", leave).status())
                .isEqualTo(204);
        assertThat(found(report(client, id, handoff), "clippedRecording")
                        .get("dismissed")
                        .asBoolean())
                .isTrue();
        client.post(
                "/api/sessions/" + id + "/edits",
                "{\"revision\": 1, \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"Kick\"}}");
        assertThat(found(report(client, id, handoff), "clippedRecording")
                        .get("dismissed")
                        .asBoolean())
                .as("it says something else now")
                .isFalse();
        assertThat(client.post("/api/sessions/" + id + "/findings/leave", "{\"key\": \"x\", \"seen\": \"no\"}")
                        .status())
                .isEqualTo(422);
        assertThat(client.get("/api/sessions/none/findings").status()).isEqualTo(404);
    }

    @Test
    void remediesActOnTheSessionOrOnTheHandoff() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "Tuba.wav", stereo(SECOND, 9_000));
        String handoff = client.handoff(id);
        JsonNode remedies = found(report(client, id, handoff), "levelForMixer")
                .get("finding")
                .get("remedies");
        String body = "{\"revision\": 1, \"adjustment\": " + remedies.get(0).get("adjustment") + "}";
        JsonNode adjusted =
                client.post("/api/handoffs/" + handoff + "/adjustments", body).json();
        assertThat(adjusted.get("handoff").get("byRow").get("r1").get("trimDb").asDouble())
                .isEqualTo(-12, within(0.01));
        assertThat(client.get("/api/sessions/" + id).json().get("revision").asInt())
                .as("the session stays")
                .isEqualTo(1);
        assertThat(found(report(client, id, handoff), "levelForMixer")).isNull();
        assertThat(client.post("/api/handoffs/" + handoff + "/adjustments", body)
                        .status())
                .as("stale")
                .isEqualTo(409);
        assertThat(client.post("/api/handoffs/" + handoff + "/adjustments", "{\"revision\": 2}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aRemedyOfTheSessionIsTakenByNamingItsFinding() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(
                client, "kik_final2.wav", stereo(SECOND, NEVER), "LD VOX comp_03.wav", stereo(SECOND / 2, NEVER));
        String handoff = client.handoff(id);
        JsonNode name = found(report(client, id, handoff), "nameCarriesLeftovers");
        assertThat(name.get("finding").get("remedies").get(0).has("edit"))
                .as("edits can hold every clip of many rows")
                .isFalse();
        Map<String, Object> take = new java.util.HashMap<>(Map.of(
                "revision",
                1,
                "handoff",
                handoff,
                "key",
                name.get("finding").get("key").asText(),
                "seen",
                name.get("seen").asText(),
                "remedy",
                7));
        String path = "/api/sessions/" + id + "/findings/take";
        ObjectMapper json = new ObjectMapper();
        assertThat(client.post(path, json.writeValueAsString(take)).status())
                .as("there are not so many")
                .isEqualTo(422);
        take.put("remedy", 0);
        JsonNode cleaned = client.post(path, json.writeValueAsString(take)).json();
        String row = name.get("finding").get("rows").get(0).asText();
        assertThat(cleaned.get("session").get("rows"))
                .filteredOn(each -> each.get("id").asText().equals(row))
                .singleElement()
                .extracting(each -> each.get("name").asText())
                .isNotEqualTo("kik_final2")
                .isNotEqualTo("LD VOX comp_03");
        assertThat(client.post(path, json.writeValueAsString(take)).status())
                .as("it is not there any more")
                .isEqualTo(409);
        JsonNode first = client.get("/api/sessions/" + id + "/findings?by=row&count=1&handoff=" + handoff)
                .json();
        JsonNode all = report(client, id, handoff);
        assertThat(first.get("findings")).hasSize(1);
        assertThat(first.get("open")).isEqualTo(all.get("open"));
        assertThat(all.get("open").get("look").asInt()
                        + all.get("open").get("know").asInt())
                .isEqualTo(all.get("findings").size())
                .isGreaterThan(1);
    }

    @Test
    void whatManyRowsShareIsOneFindingAndRowByRowEachItsOwn() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(
                client,
                "Tuba.wav",
                stereo(SECOND, 9_000),
                "Harp.wav",
                stereo(SECOND, 12_000),
                "Kick.wav",
                stereo(SECOND, 15_000));
        String handoff = client.handoff(id);
        JsonNode whole = report(client, id, handoff);
        JsonNode clipped = found(whole, "clippedRecording");
        assertThat(clipped.get("finding").get("rows")).hasSize(3);
        String byRow = "/api/sessions/" + id + "/findings?by=row&handoff=" + handoff;
        assertThat(checks(client.get(byRow).json(), "clippedRecording")).isEqualTo(3);
        assertThat(client.get(byRow).json().get("open")).isEqualTo(whole.get("open"));
        String leave = leaving(clipped);
        client.post("/api/sessions/" + id + "/findings/leave", leave);
        for (JsonNode report :
                List.of(report(client, id, handoff), client.get(byRow).json())) {
            assertThat(found(report, "clippedRecording").get("dismissed").asBoolean())
                    .isTrue();
            assertThat(checks(report, "clippedRecording")).isEqualTo(1);
        }
        String key = clipped.get("finding").get("key").asText();
        assertThat(client.post(
                                "/api/sessions/" + id + "/findings/restore",
                                new ObjectMapper().writeValueAsString(Map.of("key", key)))
                        .status())
                .isEqualTo(204);
        assertThat(checks(client.get(byRow).json(), "clippedRecording")).isEqualTo(3);
        assertThat(report(client, id, handoff).get("open")).isEqualTo(whole.get("open"));
    }

    private static long checks(JsonNode report, String check) {
        return report.get("findings").findValuesAsText("check").stream()
                .filter(check::equals)
                .count();
    }

    @Test
    void allThatIsSafeIsOneStep() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(
                client, "kik_final2.wav", stereo(SECOND, NEVER), "LD VOX comp_03.wav", stereo(SECOND / 2, NEVER));
        String handoff = client.handoff(id);
        report(client, id, handoff);
        JsonNode state = client.post(
                        "/api/sessions/" + id + "/findings/safe", "{\"revision\": 1, \"handoff\": \"" + handoff + "\"}")
                .json();
        assertThat(names(state)).containsExactly("Kick", "Lead Voice", "Mix");
        assertThat(state.get("session")
                        .get("rows")
                        .get(1)
                        .get("about")
                        .get("note")
                        .asText())
                .isEqualTo("comp_03");
        assertThat(state.get("revision").asInt()).isEqualTo(2);
        assertThat(client.post("/api/sessions/" + id + "/findings/safe", "{\"revision\": 2, \"handoff\": null}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void namesOfFilesAreMadeOfParts() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "Tuba.wav", stereo(SECOND, NEVER));
        String handoff = client.handoff(id);
        Answer named = client.put(
                "/api/handoffs/" + handoff,
                """
                {"revision": 1, "handoff": {"name": "m", "settings": {"naming": {"parts": ["song", "row", "version"], "separator": "hyphen", "letters": "upper", "longest": 40, "version": "v2"}}}}""");
        assertThat(named.json().get("plan").get("prints").get(0).get("file").asText())
                .isEqualTo("WALTZ-TUBA-V2.wav");
        assertThat(client.put(
                                "/api/handoffs/" + handoff,
                                "{\"revision\": 2, \"handoff\": {\"name\": \"m\", \"settings\": {\"naming\": {\"parts\": [\"song\"]}}}}")
                        .status())
                .isEqualTo(400);
    }

    @Test
    void stepsThatCannotBeMadeOrNamedAreRefused() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "Tuba.wav", stereo(100, NEVER));
        String rename = "{\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"x\", \"named\": null}";
        String stray =
                "{\"type\": \"useRecordings\", \"recordings\": [{\"sha256\": \"../../x\", \"fileName\": \"x\", \"rate\": 48000, \"channels\": 1, \"sample\": \"int24\", \"frames\": 9}]}";
        for (String edit : List.of(
                "{\"type\": \"together\", \"words\": null, \"edits\": [" + rename + "]}",
                "{\"type\": \"together\", \"words\": \"w\", \"edits\": []}",
                "{\"type\": \"moveRows\", \"rows\": null, \"before\": null}",
                "{\"type\": \"replaceRecording\", \"old\": null, \"replacement\": null}",
                "{\"type\": \"useTakeFor\", \"row\": \"r1\", \"take\": null, \"from\": 0, \"to\": 10}",
                "{\"type\": \"duplicateRow\", \"row\": null}",
                stray)) {
            Answer answer = client.post("/api/sessions/" + id + "/edits", "{\"revision\": 1, \"edit\": " + edit + "}");
            assertThat(answer.status()).as(edit).isEqualTo(422);
            assertThat(answer.json().get("detail").asText()).endsWith(".");
        }
        assertThat(client.get("/api/sessions/" + id).json().get("revision").asInt())
                .isEqualTo(1);
    }

    @Test
    void filesComeIntoASessionAndItGoesOutAsOne() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "Tuba.wav", stereo(SECOND, NEVER));
        JsonNode added = client.upload(
                        "/api/sessions/" + id + "/files?at=4800",
                        null,
                        Map.of("Harp.wav", stereo(SECOND, 7), "notes.txt", "hello".getBytes()))
                .json();
        assertThat(added.get("revision").asInt()).isEqualTo(2);
        assertThat(added.get("remarks").findValuesAsText("file")).containsExactly("notes.txt");
        assertThat(TestServer.atOnce(
                        4,
                        i -> client.upload(
                                "/api/sessions/" + id + "/files",
                                null,
                                Map.of("Viol" + i + ".wav", stereo(100 + i, NEVER)))))
                .extracting(Answer::status)
                .as("what took long to come is added to whatever the session is by then")
                .containsOnly(200);
        assertThat(client.get("/api/sessions/" + id).json().get("session").get("rows"))
                .hasSize(2 + 4 + 1);
        Answer zip = client.get("/api/sessions/" + id + "/file");
        assertThat(zip.header("Content-Disposition")).contains("Waltz%20session.zip");
        JsonNode again = client.bringIn(null, "moved.zip", zip.whole().body()).json();
        assertThat(client.get("/api/sessions/" + again.get("id").asText())
                        .json()
                        .get("session"))
                .isEqualTo(client.get("/api/sessions/" + id).json().get("session"));
        assertThat(client.get("/api/sessions/none/file").status()).isEqualTo(404);
    }

    @Test
    void twoMonoSidesBecomeOneStereoRow() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "Acc L.wav", SoundBytes.mono24(1, 2, 3), "Acc R.wav", SoundBytes.mono24(4, 5, 6));
        JsonNode offers = client.get("/api/sessions/" + id + "/offers").json();
        assertThat(offers.get(0).get("kind").asText()).isEqualTo("stereoRow");
        JsonNode state = client.post(
                        "/api/sessions/" + id + "/pairs", "{\"revision\": 1, \"left\": \"r1\", \"right\": \"r2\"}")
                .json();
        assertThat(names(state)).containsExactly("Acc", "Mix");
        assertThat(client.post(
                                "/api/sessions/" + id + "/pairs",
                                "{\"revision\": 2, \"left\": \"r1\", \"right\": \"r2\"}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void whatIsHeardIsWhatIsPrintedFromAnyFrameOn() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client, "Tuba.wav", stereo(SECOND, NEVER), "Harp.wav", stereo(SECOND, NEVER));
        float[] whole = heard(client.get("/api/sessions/" + id + "/sound?from=0"));
        assertThat(whole).hasSize(2 * SECOND);
        for (int i = 0; i < SECOND; i += 997) {
            assertThat(whole[2 * i])
                    .isEqualTo((float) (2 * Math.round(2_000_000 * Math.sin(i / 40.0)) / 8_388_608.0), within(1e-6f));
            assertThat(whole[2 * i + 1])
                    .isEqualTo((float) (2 * Math.round(1_000_000 * Math.sin(i / 55.0)) / 8_388_608.0), within(1e-6f));
        }
        float[] part = heard(client.get("/api/sessions/" + id + "/sound?from=12345&to=13345"));
        assertThat(part).isEqualTo(Arrays.copyOfRange(whole, 2 * 12_345, 2 * 13_345));
        float[] alone = heard(client.get("/api/sessions/" + id + "/sound?from=0&rows=r1"));
        assertThat(alone[2 * 5_000]).isEqualTo(whole[2 * 5_000] / 2, within(1e-6f));
        assertThat(client.get("/api/sessions/" + id + "/sound?from=99999999").status())
                .isEqualTo(422);
    }

    @Test
    void aSoundThatBreaksOffDoesNotPassForAllOfIt() throws Exception {
        TestServer server = TestServer.shared();
        Client client = server.client();
        int[] rise = IntStream.range(0, 20 * SECOND).map(i -> i % 70_001).toArray();
        String id = session(client, "Rise.wav", SoundBytes.mono24(rise));
        String sound = "/api/sessions/" + id + "/sound?from=0";
        assertThat(client.head(sound).header("Content-Length"))
                .as("told, and nothing made")
                .isEqualTo(Integer.toString(20 * SECOND * 8));
        assertThat(client.get(sound).whole().body()).hasSize(20 * SECOND * 8);
        String sha = client.get("/api/sessions/" + id)
                .json()
                .get("session")
                .get("recordings")
                .get(0)
                .get("sha256")
                .asText();
        Path recording = server.bean(RecordingStore.class).original(sha);
        byte[] whole = Files.readAllBytes(recording);
        byte[] cut = Arrays.copyOf(whole, whole.length / 2);
        Files.write(recording, cut);
        try {
            Answer refused = client.get(sound);
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.json().get("detail").asText()).startsWith("This cannot be heard. ");
            try (RandomAccessFile growing = new RandomAccessFile(recording.toFile(), "rw")) {
                growing.setLength(whole.length); // as long as it says, until somebody listens
            }
            try (InputStream heard = HttpClient.newHttpClient()
                    .send(HttpRequest.newBuilder(client.uri(sound)).build(), HttpResponse.BodyHandlers.ofInputStream())
                    .body()) {
                assertThat(heard.readNBytes(1_000)).hasSize(1_000);
                Files.write(recording, cut);
                long since = System.nanoTime();
                assertThatThrownBy(heard::readAllBytes).isInstanceOf(IOException.class);
                assertThat(System.nanoTime() - since).as("at once").isLessThan(20_000_000_000L);
            }
        } finally {
            Files.write(recording, whole);
        }
        assertThat(server.bean(WebMvcProperties.class).getAsync().getRequestTimeout())
                .as("nor is it ended by the clock")
                .isEqualTo(Duration.ofMillis(-1));
    }

    private static List<String> names(JsonNode state) {
        List<String> names = new ArrayList<>();
        state.get("session")
                .get("rows")
                .forEach(row -> names.add(row.get("name").asText()));
        return names;
    }

    private static float[] heard(Answer answer) {
        float[] samples = new float[answer.whole().body().length / 4];
        ByteBuffer.wrap(answer.whole().body())
                .order(ByteOrder.LITTLE_ENDIAN)
                .asFloatBuffer()
                .get(samples);
        return samples;
    }
}
