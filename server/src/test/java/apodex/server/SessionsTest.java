package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
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
        JsonNode facts = client.post("/api/sessions/" + id + "/edits", """
                {"revision": 3, "edit": {"type": "setSong", "title": "Waltz", "artist": "Salt Harbour Players",
                 "tempo": 96, "meter": "3/4", "key": "G major"}}""").json();
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
        assertThat(branched.get("redo").isNull()).as("a new edit ends what could be redone").isTrue();
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
        var pool = java.util.concurrent.Executors.newFixedThreadPool(8);
        try {
            var answers = pool.invokeAll(java.util.stream.IntStream.range(0, 8)
                    .<java.util.concurrent.Callable<Integer>>mapToObj(i -> () -> rename(client, id, 1, "Name " + i).status()).toList());
            java.util.List<Integer> statuses = new java.util.ArrayList<>();
            for (var answer : answers) {
                statuses.add(answer.get());
            }
            assertThat(statuses).containsOnlyOnce(200).containsOnly(200, 409);
        } finally {
            pool.shutdown();
        }
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
        for (String body : new String[] {"", "{", "[]", "{\"revision\": 1}", "{\"revision\": 1, \"edit\": {\"type\": \"explode\"}}",
            "{\"revision\": \"x\", \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"x\"}}",
            "{\"revision\": 1, \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"x\", \"colour\": 1}}"}) {
            Answer answer = client.post("/api/sessions/" + id + "/edits", body);
            assertThat(answer.status()).as(body).isIn(400, 422);
            assertThat(answer.json().get("detail").asText()).doesNotContain("Exception");
        }
        assertThat(client.get("/api/sessions/" + id).json().get("revision").asInt()).isEqualTo(1);
        assertThat(client.get("/api/sessions/none").status()).isEqualTo(404);
        assertThat(rename(client, "none", 1, "x").status()).isEqualTo(404);
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
        return client.bringIn("Test", "a.wav", SoundBytes.mono24(1, 2, 3)).json().get("id").asText();
    }

    private static Answer rename(Client client, String id, int revision, String name) throws Exception {
        return client.post("/api/sessions/" + id + "/edits",
                "{\"revision\": " + revision + ", \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"" + name + "\"}}");
    }

    private static Answer step(Client client, String id, String which, int revision) throws Exception {
        return client.post("/api/sessions/" + id + "/" + which, "{\"revision\": " + revision + "}");
    }

    private static String name(JsonNode state) {
        return state.get("session").get("rows").get(0).get("name").asText();
    }
}
