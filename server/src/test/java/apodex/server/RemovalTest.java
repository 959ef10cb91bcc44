package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.intake.RecordingStore;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Sessions, handoffs and runs that are removed, and what of the disk goes and stays with them. */
final class RemovalTest {
    private static TestServer server;
    private static Client client;

    @BeforeAll
    static void start() throws Exception {
        server = TestServer.shared();
        client = server.client();
    }

    private static String session(byte[]... sounds) throws Exception {
        Object[] files = new Object[2 * sounds.length];
        for (int i = 0; i < sounds.length; i++) {
            files[2 * i] = "Row " + i + ".wav";
            files[2 * i + 1] = sounds[i];
        }
        return client.bringIn("Removed", files).json().get("id").asText();
    }

    private static String recording(String session, int number) throws Exception {
        return client.get("/api/sessions/" + session)
                .json()
                .get("session")
                .get("recordings")
                .get(number)
                .get("sha256")
                .asText();
    }

    private static JsonNode onTheShelf(String session) throws Exception {
        for (JsonNode entry : client.get("/api/sessions").json().get("sessions")) {
            if (entry.get("id").asText().equals(session)) {
                return entry;
            }
        }
        return null;
    }

    @Test
    void aSessionGoesWithEverythingButWhatOthersUse() throws Exception {
        String session = session(SoundBytes.mono24(101, 102, 103), SoundBytes.mono24(104, 105));
        String other = session(SoundBytes.mono24(104, 105));
        String own = recording(session, 0);
        String shared = recording(session, 1);
        String handoff = client.handoff(session);
        String run = client.run(handoff);
        client.await(run);
        String page = client.post("/api/runs/" + run + "/pickups", "{\"days\": 3}")
                .json()
                .get("path")
                .asText();
        String token = page.substring(page.lastIndexOf('/') + 1);
        assertThat(client.get("/api/p/" + token).status()).isEqualTo(200);
        Path printed = server.run(run);
        JsonNode entry = onTheShelf(session);
        assertThat(entry.get("parcels").asInt()).isEqualTo(1);
        assertThat(entry.get("printedBytes").asLong()).isEqualTo(bytesOfFiles(run));
        assertThat(entry.get("recordingBytes").asLong()).isGreaterThan(SoundBytes.mono24(101, 102, 103).length);
        assertThat(printed).exists();

        assertThat(client.delete("/api/sessions/" + session).status()).isEqualTo(204);

        for (String path : List.of("sessions/" + session, "handoffs/" + handoff, "runs/" + run, "p/" + token)) {
            assertThat(client.get("/api/" + path).status()).as(path).isEqualTo(404);
        }
        assertThat(onTheShelf(session)).isNull();
        assertThat(printed).as("in the bin").exists();
        assertThat(client.get("/api/bin").json().findValuesAsText("id")).contains(session);
        assertThat(client.post("/api/bin/sessions/" + session + "/restore", "").status())
                .isEqualTo(200);
        for (String path : List.of("sessions/" + session, "handoffs/" + handoff, "runs/" + run, "p/" + token)) {
            assertThat(client.get("/api/" + path).status())
                    .as("restored: " + path)
                    .isEqualTo(200);
        }
        assertThat(client.delete("/api/sessions/" + session).status()).isEqualTo(204);
        assertThat(client.delete("/api/bin/sessions/" + session).status()).isEqualTo(200);
        assertThat(client.get("/api/bin").json().findValuesAsText("id")).doesNotContain(session);
        assertThat(client.post("/api/bin/sessions/" + session + "/restore", "").status())
                .isEqualTo(404);
        assertThat(printed).doesNotExist();
        RecordingStore store = server.bean(RecordingStore.class);
        assertThat(store.has(own)).isFalse();
        assertThat(store.has(shared)).as("the other session uses it").isTrue();
        assertThat(client.post("/api/sessions/" + other + "/handoffs", "{\"name\": \"x\"}")
                        .status())
                .isEqualTo(201);
        assertThat(client.post("/api/sessions/" + other + "/forget", "").status())
                .isEqualTo(204);
        assertThat(store.has(shared)).isFalse();
        assertThat(client.delete("/api/sessions/" + session).status()).isEqualTo(404);
    }

    private static long bytesOfFiles(String run) throws Exception {
        long bytes = 0;
        for (JsonNode file : client.get("/api/runs/" + run).json().get("files")) {
            bytes += file.get("bytes").asLong();
        }
        return bytes;
    }

    @Test
    void aHandoffGoesWithItsRunsAndOneRunAlone() throws Exception {
        String session = session(SoundBytes.mono24(111, 112));
        String handoff = client.handoff(session);
        String kept = client.handoff(session);
        String first = client.run(handoff);
        client.await(first);
        String second = client.run(handoff);
        client.await(second);
        Path files = server.run(second);

        assertThat(client.delete("/api/runs/" + first).status()).isEqualTo(204);
        assertThat(client.get("/api/handoffs/" + handoff + "/runs").json().findValuesAsText("id"))
                .containsExactly(second);
        assertThat(client.get("/api/runs/" + second + "/parcel").status())
                .as("what was taken over from the first is a copy")
                .isEqualTo(200);
        assertThat(client.delete("/api/handoffs/" + handoff).status()).isEqualTo(204);
        assertThat(client.get("/api/runs/" + second).status()).isEqualTo(404);
        assertThat(client.get("/api/bin").json().findValuesAsText("id"))
                .as("the handoff, and with it its runs")
                .contains(handoff)
                .doesNotContain(first, second);
        assertThat(files).exists();
        assertThat(client.delete("/api/bin/handoffs/" + handoff).status()).isEqualTo(200);
        assertThat(files).doesNotExist();
        assertThat(client.get("/api/sessions/" + session + "/handoffs").json().findValuesAsText("id"))
                .containsExactly(kept);
    }

    @Test
    void nothingIsTakenFromUnderARunThatPrints() throws Exception {
        String session = LongSessions.make(server, 24, 120);
        String handoff = client.handoff(session);
        String run = client.run(handoff);
        for (String path : List.of("runs/" + run, "handoffs/" + handoff, "sessions/" + session)) {
            Answer refused = client.delete("/api/" + path);
            assertThat(refused.status()).as(path).isEqualTo(409);
            assertThat(refused.json().get("detail").asText())
                    .isEqualTo("Run 1 is under way or waits; cancel it first.");
        }
        assertThat(client.get("/api/sessions/" + session).status()).isEqualTo(200);
        client.post("/api/runs/" + run + "/cancel", "");
        client.await(run);
        assertThat(client.delete("/api/sessions/" + session).status()).isEqualTo(204);
    }

    @Test
    void whatIsBroughtInWhileItsTwinIsRemovedIsWhole() throws Exception {
        byte[] sound = SoundBytes.mono24(121, 122, 123);
        List<Answer> made = TestServer.atOnce(8, thread -> {
            Answer last = null;
            for (int round = 0; round < 6; round++) {
                if (last != null) {
                    client.delete("/api/sessions/" + last.json().get("id").asText());
                }
                last = client.bringIn("Twin", "Twin.wav", sound);
            }
            return last;
        });
        for (Answer each : made) {
            assertThat(each.status()).isEqualTo(201);
            String id = each.json().get("id").asText();
            Path file = server.bean(RecordingStore.class).original(recording(id, 0));
            assertThat(Files.readAllBytes(file)).isEqualTo(sound);
            client.delete("/api/sessions/" + id);
        }
    }

    @Test
    void aDuplicateIsASessionOfItsOwn() throws Exception {
        String session = session(SoundBytes.mono24(131, 132));
        String handoff = client.handoff(session);
        Answer made = client.post("/api/sessions/" + session + "/duplicate", "");
        assertThat(made.status()).isEqualTo(201);
        String copy = made.json().get("id").asText();
        JsonNode state = client.get("/api/sessions/" + copy).json();
        assertThat(state.get("session").get("song").get("title").asText()).isEqualTo("Removed (2)");
        assertThat(state.get("session").get("rows"))
                .isEqualTo(client.get("/api/sessions/" + session)
                        .json()
                        .get("session")
                        .get("rows"));
        JsonNode handoffs = client.get("/api/sessions/" + copy + "/handoffs").json();
        assertThat(handoffs.findValuesAsText("name")).containsExactly("The mixer");
        assertThat(handoffs.findValuesAsText("id")).doesNotContain(handoff);
        assertThat(client.post("/api/sessions/" + copy + "/duplicate", "").status())
                .isEqualTo(201);
        assertThat(client.get("/api/sessions").json().findValuesAsText("title")).contains("Removed (3)");

        client.delete("/api/sessions/" + session);
        String run = client.run(handoffs.get(0).get("id").asText());
        assertThat(client.await(run).get("state").asText())
                .as("prints after the original is gone")
                .isEqualTo("done");
        assertThat(client.post("/api/sessions/none/duplicate", "").status()).isEqualTo(404);
    }
}
