package apodex.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.intake.RecordingStore;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** An intake over HTTP: from the drop to the session, undone, given up, and asked for by two at once. */
final class IntakesTest {
    private Client client;
    private final byte[] kick = sound(1);

    @BeforeEach
    void connect() throws Exception {
        client = TestServer.shared().client();
    }

    private static byte[] sound(int seed) {
        return SoundBytes.mono24(
                new Random(seed).ints(60_000, -4_000_000, 4_000_000).toArray());
    }

    private JsonNode examine(String... uploads) throws Exception {
        Answer answer = client.post(
                "/api/intakes",
                "{\"uploads\":[\"" + String.join("\",\"", uploads)
                        + "\"],\"folder\":\"Harbour\",\"refused\":[{\"file\":\"none.wav\",\"reason\":\"It is empty.\"}]}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private Answer correct(String id, int revision, String correction) throws Exception {
        return client.post(
                "/api/intakes/" + id + "/corrections",
                "{\"revision\":" + revision + ",\"correction\":" + correction + "}");
    }

    private Answer make(String id, int revision) throws Exception {
        return client.post("/api/intakes/" + id + "/session", "{\"revision\":" + revision + "}");
    }

    @Test
    void whatIsPutRightIsInTheSessionAndCanBeUndoneBefore() throws Exception {
        JsonNode came = examine(
                client.arrive("Song/Drums", "01 Kik.wav", kick), client.arrive("Song/Drums", "02 Snr.wav", sound(2)));
        String id = came.get("id").asText();
        assertThat(came.at("/intake/files").findValuesAsText("row")).containsExactly("Kick", "Snare");
        assertThat(came.at("/intake/refused/0/file").asText()).isEqualTo("none.wav");

        JsonNode named = correct(id, 1, "{\"type\":\"inRow\",\"files\":[\"f1\"],\"row\":\"Big kick\"}")
                .json();
        assertThat(named.at("/intake/files/0/seat/row").asText()).isEqualTo("Big kick");
        JsonNode undone =
                client.post("/api/intakes/" + id + "/undo", "{\"revision\":2}").json();
        assertThat(undone.at("/intake/files/0/seat/row").asText()).isEqualTo("Kick");
        assertThat(undone.get("canRedo").asBoolean()).isTrue();
        JsonNode redone =
                client.post("/api/intakes/" + id + "/redo", "{\"revision\":3}").json();
        assertThat(redone.at("/intake/files/0/seat/row").asText()).isEqualTo("Big kick");

        Answer made = make(id, 4);
        assertThat(made.status()).isEqualTo(201);
        JsonNode session =
                client.get("/api/sessions/" + made.json().get("id").asText()).json();
        assertThat(session.at("/session/rows").findValuesAsText("name")).contains("Big kick", "Snare");
        assertThat(client.get("/api/intakes/" + id).status()).isEqualTo(404);
    }

    @Test
    void aStaleCorrectionIsToldWithWhatIsNowAndNonsenseInASentence() throws Exception {
        String id = examine(client.arrive("", "Kick.wav", kick)).get("id").asText();
        correct(id, 1, "{\"type\":\"titled\",\"title\":\"Low Tide Waltz\"}");
        Answer stale = correct(id, 1, "{\"type\":\"titled\",\"title\":\"Other\"}");
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.json().at("/current/intake/title").asText()).isEqualTo("Low Tide Waltz");
        for (String nonsense : List.of(
                "{\"type\":\"asTake\",\"files\":[\"f1\"],\"take\":0}",
                "{\"type\":\"hasRate\",\"files\":[\"f1\"],\"hertz\":7}",
                "{\"type\":\"inRow\",\"files\":[\"f1\"],\"row\":\"a/b\"}",
                "{\"type\":\"nothing\"}",
                "null")) {
            Answer answer = correct(id, 2, nonsense);
            assertThat(answer.status()).as(nonsense + answer.text()).isBetween(400, 422);
            assertThat(answer.json().get("detail").asText()).isNotBlank();
        }
    }

    @Test
    void ofTwoPressesAtOnceOneMakesTheSession() throws Exception {
        String id = examine(client.arrive("", "Kick.wav", kick), client.arrive("", "Snare.wav", sound(3)))
                .get("id")
                .asText();
        List<Answer> answers = TestServer.atOnce(6, number -> make(id, 1));
        assertThat(answers).filteredOn(answer -> answer.status() == 201).hasSize(1);
        assertThat(answers).allMatch(answer -> List.of(201, 404, 409).contains(answer.status()));
    }

    @Test
    void anIntakeOutlivesTheServerAndItsRecordingsOutliveOtherSessions() throws Exception {
        Path data = Files.createTempDirectory("apodex-intakes");
        byte[] tuba = sound(9);
        String id;
        String sha;
        try (TestServer server = TestServer.start(data)) {
            client = server.client();
            JsonNode came = examine(
                    client.arrive("", "Tuba.wav", tuba),
                    client.arrive("", "clips.csv", "row,file,position\nTuba,Tuba.wav,48000\n".getBytes(UTF_8)));
            id = came.get("id").asText();
            sha = came.at("/intake/files/0/recording/sha256").asText();
            String session =
                    client.bringIn("Other", "Tuba.wav", tuba).json().get("id").asText();
            assertThat(client.delete("/api/sessions/" + session).status()).isEqualTo(204);
            assertThat(server.bean(RecordingStore.class).has(sha))
                    .as("the intake needs it")
                    .isTrue();
        }
        try (TestServer server = TestServer.start(data)) {
            client = server.client();
            assertThat(client.get("/api/intakes").json().findValuesAsText("id")).containsExactly(id);
            Answer made = make(id, 1);
            assertThat(made.status()).isEqualTo(201);
            JsonNode session = client.get(
                            "/api/sessions/" + made.json().get("id").asText())
                    .json();
            assertThat(session.at("/session/rows/0/takes/0/clips/0/position").asLong())
                    .isEqualTo(48_000);
            assertThat(data.resolve("intakes").resolve(id)).doesNotExist();
        }
    }

    @Test
    void anIntakeIsAddedToTheSessionItIsForWhateverBecameOfThat() throws Exception {
        String session =
                client.bringIn("Quay", "Tuba.wav", sound(901)).json().get("id").asText();
        String request = "{\"uploads\":[\"%s\",\"%s\"],\"session\":\"%s\",\"at\":700}";
        String body = request.formatted(
                client.arrive("", "tuba.wav", sound(902)), client.arrive("", "Harp.wav", sound(903)), session);
        JsonNode came = client.post("/api/intakes", body).json();
        String id = came.get("id").asText();
        assertThat(came.at("/intake/onto/title").asText()).isEqualTo("Quay");
        assertThat(came.at("/intake/files/0/seat/use").asText()).isEqualTo("inPlace");
        assertThat(came.at("/intake/files/1/seat/place/frame").asLong()).isEqualTo(700);
        assertThat(client.get("/api/sessions/" + session).json().get("revision").asInt())
                .as("nothing is final yet")
                .isEqualTo(1);
        client.post(
                "/api/sessions/" + session + "/edits",
                "{\"revision\":1,\"edit\":{\"type\":\"renameRow\",\"row\":\"r1\",\"name\":\"Low tuba\"}}");

        Answer made = make(id, 1);
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        assertThat(made.json().get("id").asText()).isEqualTo(session);
        assertThat(made.json().get("words").toString()).contains("took the place of its older version");
        JsonNode now = client.get("/api/sessions/" + session).json();
        assertThat(now.at("/session/rows").findValuesAsText("name")).contains("Low tuba", "Harp");
        assertThat(now.at("/session/rows/0/takes/0/clips/0/recording").asText())
                .isEqualTo(came.at("/intake/files/0/recording/sha256").asText());
        assertThat(client.get("/api/intakes/" + id).status()).isEqualTo(404);

        String late = client.post(
                        "/api/intakes",
                        request.formatted(
                                client.arrive("", "Bell.wav", sound(904)),
                                client.arrive("", "Oboe.wav", sound(905)),
                                session))
                .json()
                .get("id")
                .asText();
        client.delete("/api/sessions/" + session);
        Answer gone = make(late, 1);
        assertThat(gone.status()).isEqualTo(409);
        assertThat(gone.text()).contains("“Quay”").contains("is gone");
        correct(late, 1, "{\"type\":\"onItsOwn\"}");
        assertThat(make(late, 2).status()).isEqualTo(201);
    }

    @Test
    void whatIsGivenUpIsGone() throws Exception {
        JsonNode came = examine(client.arrive("", "Kick.wav", sound(77)));
        String id = came.get("id").asText();
        String sha = came.at("/intake/files/0/recording/sha256").asText();
        assertThat(client.delete("/api/intakes/" + id).status()).isEqualTo(204);
        assertThat(client.get("/api/intakes/" + id).status()).isEqualTo(404);
        assertThat(client.delete("/api/intakes/" + id).status()).isEqualTo(404);
        assertThat(TestServer.shared().bean(RecordingStore.class).has(sha)).isFalse();
    }

    @Test
    void theReplyAndTheSumAreThere() throws Exception {
        byte[] mix = sound(5);
        String id = examine(client.arrive("", "Kick.wav", mix), client.arrive("", "rough mix.wav", mix))
                .get("id")
                .asText();
        assertThat(client.get("/api/intakes/" + id + "/reply.txt").text())
                .contains("2 recordings arrived")
                .contains("“none.wav” cannot be used. It is empty.");
        assertThat(client.get("/api/intakes/" + id + "/reply.html").text()).contains("<h2>Please send again</h2>");
        JsonNode sum = client.get("/api/intakes/" + id + "/sum").json();
        assertThat(sum.get("explained").asDouble()).isGreaterThan(0.99);
        assertThat(client.get("/api/intakes/" + id + "/sound?from=0&to=1000&files=f1,f2")
                        .whole()
                        .body())
                .hasSize(1_000 * 8);
        String alone = examine(client.arrive("", "Kick.wav", kick)).get("id").asText();
        assertThat(client.get("/api/intakes/" + alone + "/sum").status()).isEqualTo(422);
    }

    @Test
    void aTableIsReadAsToldAndSoIsTheNextWithItsHeadings() throws Exception {
        byte[] list = "Spur;Was;Wo\nTuba;kick.wav;0,5\nHarp;kick.wav;1,0\n".getBytes(UTF_8);
        JsonNode came = examine(client.arrive("", "kick.wav", sound(4_177)), client.arrive("", "schnitt.csv", list));
        String id = came.get("id").asText();
        assertThat(came.at("/questions/0/kind").asText()).isEqualTo("table");
        String file = came.at("/questions/0/files/0").asText();
        JsonNode preview = client.post("/api/intakes/" + id + "/tables/" + file + "/preview", "{}")
                .json();
        assertThat(preview.at("/form/columns/0/is").asText()).isEqualTo("row");
        String form = preview.get("form")
                .toString()
                .replace(
                        "\"heading\":\"Wo\",\"is\":null,\"unit\":null",
                        "\"heading\":\"Wo\",\"is\":\"position\",\"unit\":\"seconds\"");
        String read = "{\"revision\":1,\"form\":" + form + ",\"remembered\":\"forTheseHeadings\"}";
        Answer answer = client.post("/api/intakes/" + id + "/tables/" + file, read);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get("rows").asInt()).isEqualTo(2);
        assertThat(client.post("/api/intakes/" + id + "/tables/" + file, read).status())
                .as("against an older revision")
                .isEqualTo(409);
        assertThat(client.post("/api/intakes/" + id + "/tables/f1/preview", "{}")
                        .status())
                .isEqualTo(422);
        assertThat(client.post("/api/intakes/" + id + "/tables/f99/preview", "{}")
                        .status())
                .isEqualTo(422);
        JsonNode next = examine(client.arrive("", "kick.wav", sound(4_178)), client.arrive("", "noch einer.csv", list));
        assertThat(next.get("questions"))
                .noneMatch(each -> each.get("kind").asText().equals("table"));
        assertThat(next.get("rows").asInt()).isEqualTo(2);
    }
}
