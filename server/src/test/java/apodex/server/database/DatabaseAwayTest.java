package apodex.server.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.server.LongSessions;
import apodex.server.TestServer;
import apodex.server.TestServer.Answer;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The database dies hard in the middle of a run: it comes back by itself, and the run goes on. */
final class DatabaseAwayTest {
    @TempDir
    private Path data;

    @Test
    void aDeadDatabaseComesBackAndARunGoesOn() throws Exception {
        try (TestServer server = TestServer.start(data)) {
            TestServer.Client client = server.client();
            String session = LongSessions.make(server, 8, 120);
            String handoff = client.handoff(session);
            String run = client.run(handoff);
            for (int i = 0; i < 400 && progress(client, run) < 0.1; i++) {
                Thread.sleep(10);
            }
            Path running = data.resolve("mariadb").resolve("running");
            long database = Long.parseLong(Files.readString(running).split(" ")[0]);
            ProcessHandle.of(database).orElseThrow().destroyForcibly();
            ProcessHandle.of(database).ifPresent(gone -> gone.onExit().join());
            long asked = System.nanoTime();
            Answer refused = client.get("/api/sessions");
            if (refused.status() != 200) { // it is back very soon
                assertThat(refused.status()).isEqualTo(503);
                assertThat(refused.json().get("detail").asText()).contains("The database is away for a moment");
                assertThat(System.nanoTime() - asked).as("told soon").isLessThan(15_000_000_000L);
            }
            JsonNode done = null;
            for (int i = 0; i < 1_200 && done == null; i++, Thread.sleep(50)) {
                Answer answer = client.get("/api/runs/" + run);
                boolean over = answer.status() == 200
                        && !answer.json().get("state").asText().matches("waiting|printing|proofing");
                done = over ? answer.json() : null;
            }
            assertThat(done).isNotNull();
            assertThat(done.get("state").asText())
                    .as(done.get("failure").asText())
                    .isEqualTo("done");
            assertThat(Files.readString(running).split(" ")[0]).isNotEqualTo(Long.toString(database));
            assertThat(client.post(
                                    "/api/sessions/" + session + "/edits",
                                    "{\"revision\": 1, \"edit\": {\"type\": \"renameRow\", \"row\": \"r1\", \"name\": \"Back\"}}")
                            .status())
                    .isEqualTo(200);
            assertThatThrownBy(() -> TestServer.start(data))
                    .as("a second server on the same folder")
                    .hasStackTraceContaining("Another Apodex works on the data folder");
        }
        Files.writeString(data.resolve("mariadb").resolve("running"), "12 "); // torn
        try (TestServer server = TestServer.start(data)) {
            assertThat(server.client().get("/api/sessions").json().get("sessions"))
                    .hasSize(1);
        }
    }

    private static double progress(TestServer.Client client, String run) throws Exception {
        return client.get("/api/runs/" + run).json().get("progress").asDouble();
    }
}
