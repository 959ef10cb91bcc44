package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class SessionsTest {
    @Test
    void editsUndoAndRedoWalkThroughHistory() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client);
        JsonNode first = rename(client, id, 1, "Tuba").json();
        assertThat(first.get("revision").asInt()).isEqualTo(2);
        assertThat(name(first)).isEqualTo("Tuba");
        assertThat(first.get("undo").asText()).isEqualTo("Rename “a”");
        rename(client, id, 2, "Bass Tuba");
        JsonNode facts = client.post(
                        "/api/sessions/" + id + "/edits",
                        """
                {"revision": 3, "edit": {"type": "setSong", "title": "Waltz", "artist": "Salt Harbour Players",
                 "tempo": 96, "meter": "3/4", "key": "G major"}}""")
                .json();
        assertThat(facts.get("session").get("song").get("key").asText()).isEqualTo("G major");

        JsonNode undone = step(client, id, "undo", 4).json();
        assertThat(undone.get("session").get("song").get("key").isNull()).isTrue();
        assertThat(undone.get("redo").asText()).isEqualTo("Change song facts");
        assertThat(undone.get("undo").asText()).isEqualTo("Rename “Tuba”");
        assertThat(name(step(client, id, "undo", 5).json())).isEqualTo("Tuba");
        assertThat(name(step(client, id, "undo", 6).json())).isEqualTo("a");
        Answer nothing = step(client, id, "undo", 7);
        assertThat(nothing.status()).isEqualTo(409);
        assertThat(name(step(client, id, "redo", 7).json())).isEqualTo("Tuba");
        assertThat(name(step(client, id, "redo", 8).json())).isEqualTo("Bass Tuba");
        JsonNode again = step(client, id, "redo", 9).json();
        assertThat(again.get("session")).as("everything is back").isEqualTo(facts.get("session"));
        assertThat(step(client, id, "redo", 10).status()).isEqualTo(409);
        assertThat(name(step(client, id, "undo", 10).json())).isEqualTo("Bass Tuba");
        JsonNode branched = rename(client, id, 11, "Sousaphone").json();
        assertThat(branched.get("redo").isNull())
                .as("a new edit ends what could be redone")
                .isTrue();
    }

    @Test
    void aStaleEditIsAnsweredWithTheCurrentState() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client);
        rename(client, id, 1, "First");
        Answer stale = rename(client, id, 1, "Second");
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.header("Content-Type")).startsWith("application/problem+json");
        assertThat(name(stale.json().get("current"))).isEqualTo("First");
        assertThat(stale.json().get("current").get("revision").asInt()).isEqualTo(2);
    }

    @Test
    void editsAtTheSameMomentAreNeverBothTaken() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client);
        List<TestServer.Answer> answers = TestServer.atOnce(8, i -> rename(client, id, 1, "Name " + i));
        assertThat(answers)
                .extracting(TestServer.Answer::status)
                .containsOnlyOnce(200)
                .containsOnly(200, 409);
        assertThat(answers)
                .filteredOn(answer -> answer.status() == 409)
                .extracting(
                        answer -> answer.json().get("current").get("revision").asInt())
                .as("who lost is told what the winner made, to go on from there")
                .containsOnly(2);
    }

    @Test
    void badEditsAreRefusedWithTheFieldAndChangeNothing() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client);
        for (String name : new String[] {"", "a/b", "🎸", "x".repeat(300), "evil\u202E"}) {
            Answer answer = rename(client, id, 1, name);
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.json().get("field").asText()).isEqualTo("name");
        }
        for (String body : new String[] {
            "",
            "{",
            "[]",
            "{\"revision\": 1}",
            "{\"revision\": 1, \"edit\": {\"type\": \"explode\"}}",
            "{\"revision\": \"x\", \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"x\"}}",
            "{\"revision\": 1, \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"x\", \"colour\": 1}}"
        }) {
            Answer answer = client.post("/api/sessions/" + id + "/edits", body);
            assertThat(answer.status()).as(body).isIn(400, 422);
            assertThat(answer.json().get("detail").asText()).doesNotContain("Exception");
        }
        assertThat(client.get("/api/sessions/" + id).json().get("revision").asInt())
                .isEqualTo(1);
        assertThat(client.get("/api/sessions/none").status()).isEqualTo(404);
        assertThat(rename(client, "none", 1, "x").status()).isEqualTo(404);
    }

    @Test
    void theWholeModelIsEditedOverHttpAndWhatCannotBeIsRefusedByTheEdit() throws Exception {
        Client client = TestServer.shared().client();
        String id = session(client);
        JsonNode effects = client.get("/api/effects").json();
        assertThat(effects.findValuesAsText("id")).contains("compressor", "hallReverb", "thresholdDb");
        assertThat(client.get("/api/instruments").json().get(0).get("parts")).hasSizeGreaterThan(4);
        String[] edits = {
            row("bus", "drums", "\"outputs\": [\"mix\"]"),
            row("return", "hall", "\"outputs\": [\"mix\"]"),
            "{\"type\": \"setOutputs\", \"row\": \"r1\", \"outputs\": [\"drums\"]}",
            "{\"type\": \"setSends\", \"row\": \"r1\", \"sends\": [{\"to\": \"hall\", \"levelDb\": -9, \"from\": \"afterFader\"}]}",
            "{\"type\": \"setInserts\", \"row\": \"hall\", \"inserts\": [{\"effect\": \"hallReverb\", \"settings\": {\"mixPercent\": 100}, \"key\": null, \"kept\": false, \"on\": true}]}",
            "{\"type\": \"setFader\", \"row\": \"drums\", \"faderDb\": -3, \"pan\": 10, \"muted\": false, \"soloed\": false}",
            "{\"type\": \"setMoves\", \"row\": \"r1\", \"faderMoves\": [{\"frame\": 0, \"value\": -6}, {\"frame\": 2, \"value\": 0}], \"panMoves\": []}",
            "{\"type\": \"setPanLaw\", \"panLaw\": \"-4.5\"}",
            "{\"type\": \"setMarkers\", \"markers\": [{\"frame\": 1, \"name\": \"Verse\"}]}",
            "{\"type\": \"setTempoMap\", \"tempoChanges\": [{\"quarter\": 8, \"quartersPerMinute\": 60, \"way\": \"glide\"}], \"meterChanges\": []}",
            "{\"type\": \"addRow\", \"before\": \"drums\", \"row\": {\"type\": \"instrument\", \"id\": \"kit\", \"name\": \"Kit\", \"instrument\": \"drumKit\", \"notes\": [], \"strip\": "
                    + strip("\"outputs\": [\"drums\"]") + "}}",
            "{\"type\": \"setNotes\", \"row\": \"kit\", \"instrument\": \"drumKit\", \"notes\": [{\"quarter\": 0, \"quarters\": 1, \"pitch\": 36, \"velocity\": 100}]}"
        };
        int revision = 1;
        for (String edit : edits) {
            Answer answer = client.post(
                    "/api/sessions/" + id + "/edits", "{\"revision\": " + revision + ", \"edit\": " + edit + "}");
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            revision = answer.json().get("revision").asInt();
        }
        JsonNode plan = client.post("/api/sessions/" + id + "/handoffs", "{\"name\": \"x\"}")
                .json()
                .get("plan");
        assertThat(plan.get("rows").findValuesAsText("row")).containsExactly("r1", "kit", "drums", "hall", "mix");
        assertThat(plan.get("rows").get(0).get("stations").toString()).isEqualTo("[\"raw\",\"fader\",\"bus\"]");
        String[][] refused = {
            {"outputs", row("bus", "loop", "\"outputs\": [\"loop\"]")},
            {"outputs", "{\"type\": \"setOutputs\", \"row\": \"drums\", \"outputs\": [\"nowhere\"]}"},
            {
                "faderDb",
                "{\"type\": \"setFader\", \"row\": \"drums\", \"faderDb\": 99, \"pan\": 0, \"muted\": false, \"soloed\": false}"
            },
            {
                "inserts",
                "{\"type\": \"setInserts\", \"row\": \"r1\", \"inserts\": [{\"effect\": \"magic\", \"settings\": {}, \"key\": null, \"kept\": false, \"on\": true}]}"
            },
            {
                "panMoves",
                "{\"type\": \"setMoves\", \"row\": \"r1\", \"faderMoves\": [], \"panMoves\": [{\"frame\": 5, \"value\": 0}, {\"frame\": 5, \"value\": 1}]}"
            },
            {"edit.faderMoves", "{\"type\": \"setMoves\", \"row\": \"r1\", \"faderMoves\": [null], \"panMoves\": []}"}
        };
        for (String[] each : refused) {
            Answer answer = client.post(
                    "/api/sessions/" + id + "/edits", "{\"revision\": " + revision + ", \"edit\": " + each[1] + "}");
            assertThat(answer.status()).as(each[1]).isIn(400, 422);
            assertThat(answer.json().get("field").asText()).as(answer.text()).isEqualTo(each[0]);
            assertThat(answer.json().get("detail").asText()).endsWith(".");
        }
        assertThat(client.get("/api/sessions/" + id).json().get("revision").asInt())
                .isEqualTo(revision);
    }

    private static String row(String type, String id, String outputs) {
        return "{\"type\": \"addRow\", \"before\": null, \"row\": {\"type\": \"" + type + "\", \"id\": \"" + id
                + "\", \"name\": \"" + id + "\", \"strip\": " + strip(outputs) + "}}";
    }

    private static String strip(String outputs) {
        return "{\"faderDb\": 0, \"pan\": 0, \"muted\": false, \"soloed\": false, " + outputs + "}";
    }

    @Test
    void historySurvivesARestart(@TempDir Path data) throws Exception {
        String id;
        try (TestServer server = TestServer.start(data)) {
            id = session(server.client());
            rename(server.client(), id, 1, "Tuba");
            rename(server.client(), id, 2, "Bass");
            step(server.client(), id, "undo", 3);
        }
        try (TestServer server = TestServer.start(data)) {
            assertThat(name(server.client().get("/api/sessions/" + id).json())).isEqualTo("Tuba");
            assertThat(name(step(server.client(), id, "redo", 4).json())).isEqualTo("Bass");
            step(server.client(), id, "undo", 5);
            assertThat(name(step(server.client(), id, "undo", 6).json())).isEqualTo("a");
        }
    }

    private static String session(Client client) throws Exception {
        return client.bringIn("Test", "a.wav", SoundBytes.mono24(1, 2, 3))
                .json()
                .get("id")
                .asText();
    }

    private static Answer rename(Client client, String id, int revision, String name) throws Exception {
        return client.post(
                "/api/sessions/" + id + "/edits",
                "{\"revision\": " + revision + ", \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \""
                        + name + "\"}}");
    }

    private static Answer step(Client client, String id, String which, int revision) throws Exception {
        return client.post("/api/sessions/" + id + "/" + which, "{\"revision\": " + revision + "}");
    }

    private static String name(JsonNode state) {
        return state.get("session").get("rows").get(0).get("name").asText();
    }
}
