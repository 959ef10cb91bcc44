package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.BadFiles;
import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayOutputStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

final class ImportTest {
    private Client client;

    @BeforeEach
    void connect() throws Exception {
        client = TestServer.shared().client();
    }

    @Test
    void fortyFilesOfWhichTwoAreBrokenBringThirtyEight() throws Exception {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int i = 1; i <= 40; i++) {
            byte[] good = SoundBytes.mono24(i, -i, i);
            files.put(
                    "Track " + i + ".wav",
                    i == 7 ? new byte[0] : i == 23 ? java.util.Arrays.copyOf(good, good.length - 4) : good);
        }
        Answer answer = client.bringIn("Forty", files);
        assertThat(answer.status()).isEqualTo(201);
        JsonNode imported = answer.json();
        assertThat(imported.get("revision").asInt()).isEqualTo(1);
        assertThat(imported.get("brought")).hasSize(38);
        assertThat(imported.get("refused")).hasSize(2);
        assertThat(imported.get("refused").findValuesAsText("file")).containsExactly("Track 7.wav", "Track 23.wav");
        assertThat(imported.get("refused").findValuesAsText("reason"))
                .satisfiesExactly(reason -> assertThat(reason).contains("empty"), reason -> assertThat(reason)
                        .contains("cut short"));
        JsonNode session =
                client.get("/api/sessions/" + imported.get("id").asText()).json();
        assertThat(session.get("session").get("song").get("title").asText()).isEqualTo("Forty");
        List<String> ids = session.get("session").get("rows").findValuesAsText("id");
        assertThat(imported.get("brought").findValuesAsText("row")).isSubsetOf(ids);
        assertThat(client.get("/api/sessions").json().findValuesAsText("id"))
                .contains(imported.get("id").asText());
    }

    static List<BadFiles.Bad> broken() {
        return BadFiles.all();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("broken")
    void aBrokenFileAloneIsAnsweredWithOneSentenceAndLeavesNothing(BadFiles.Bad bad) throws Exception {
        int before = client.get("/api/sessions").json().get("sessions").size();
        Answer answer = client.bringIn(null, "bad.wav", bad.bytes());
        assertProblem(answer, 422);
        assertThat(answer.json().get("detail").asText()).contains("bad.wav", bad.words());
        assertThat(answer.json().get("refused").get(0).get("file").asText()).isEqualTo("bad.wav");
        assertThat(client.get("/api/sessions").json().get("sessions")).hasSize(before);
    }

    @ParameterizedTest
    @ValueSource(strings = {"dir/song.wav", "dir\\song.wav", "../../song.wav", "gu🎸itar.wav", "evil\u202Evaw.wav"})
    void namesThatCannotTravelAreRefused(String name) throws Exception {
        assertProblem(client.bringIn(null, name, SoundBytes.mono24(1)), 422);
    }

    @Test
    void aNameOfThreeHundredCharactersIsRefused() throws Exception {
        Answer answer = client.bringIn(null, "n".repeat(296) + ".wav", SoundBytes.mono24(1));
        assertProblem(answer, 422);
        assertThat(answer.json().get("detail").asText()).contains("300 characters");
        assertProblem(client.bringIn("n".repeat(300), "a.wav", SoundBytes.mono24(1)), 422);
    }

    @Test
    void zipsAreUnpackedAndNameTheSession() throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (String name : List.of("Audio/Tuba.wav", "Audio/notes.txt")) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(name.endsWith("wav") ? SoundBytes.mono24(1, 2) : new byte[] {'h', 'i'});
            }
        }
        Answer answer = client.bringIn(null, "Low Tide.zip", bytes.toByteArray());
        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.json().get("brought").get(0).get("file").asText()).isEqualTo("Tuba.wav");
        assertThat(answer.json().get("refused").get(0).get("file").asText()).isEqualTo("notes.txt");
        String id = answer.json().get("id").asText();
        assertThat(client.get("/api/sessions/" + id)
                        .json()
                        .get("session")
                        .get("song")
                        .get("title")
                        .asText())
                .isEqualTo("Low Tide");
    }

    @Test
    void requestsThatAreNoUploadAreRefused() throws Exception {
        assertProblem(client.post("/api/sessions/import", "{}"), 415);
        assertProblem(client.bringIn("Nothing"), 400);
    }

    @Test
    void waveformsComeInTiles() throws Exception {
        String id = client.bringIn("Wave", "a.wav", SoundBytes.mono24(8_388_607, -8_388_608, 0, 0, 4_194_304))
                .json()
                .get("id")
                .asText();
        String hash = client.get("/api/sessions/" + id)
                .json()
                .get("session")
                .get("recordings")
                .get(0)
                .get("sha256")
                .asText();
        Answer tile = client.get("/api/recordings/" + hash + "/waveform/1/0");
        java.nio.ByteBuffer bins =
                java.nio.ByteBuffer.wrap(tile.whole().body()).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        assertThat(new int[] {bins.getShort(), bins.getShort(), bins.getShort(), bins.getShort()})
                .as("two bins of four frames: low, high")
                .containsExactly(-32767, 32767, 16384, 16384);
        assertThat(tile.header("Cache-Control")).contains("immutable");
        assertThat(client.get("/api/recordings/" + hash + "/waveform/1/5")
                        .whole()
                        .body())
                .isEmpty();
        assertProblem(client.get("/api/recordings/" + hash + "/waveform/99/0"), 404);
        assertProblem(client.get("/api/recordings/" + "0".repeat(64) + "/waveform/1/0"), 404);
        assertProblem(client.get("/api/recordings/..%2F..%2Fetc/waveform/1/0"), 400, 404);
    }

    private static void assertProblem(Answer answer, Integer... statuses) {
        assertThat(answer.status()).as(answer.text()).isIn((Object[]) statuses);
        if (answer.header("Content-Type").startsWith("application/problem+json")) {
            assertThat(answer.json().get("detail").asText()).isNotBlank().doesNotContain("Exception", "at java.");
        }
    }
}
