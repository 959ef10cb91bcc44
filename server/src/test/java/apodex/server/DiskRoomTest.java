package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.server.TestServer.Answer;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.TimeZone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A run that does not fit on the disk is refused at the button, and again when its turn comes. */
final class DiskRoomTest {
    @TempDir
    private Path data;

    @Test
    void whatDoesNotFitIsRefusedAtTheButtonAndWhenItsTurnComes() throws Exception {
        String handoff;
        String waiting;
        try (TestServer server = TestServer.start(data)) {
            handoff = server.client().handoff(LongSessions.make(server, 8, 30));
            server.client().run(handoff, "{\"everything\": true}");
            waiting = server.client().run(handoff, "{\"everything\": true}");
        }
        TimeZone here = TimeZone.getDefault();
        TimeZone.setDefault(TimeZone.getTimeZone("Asia/Kolkata"));
        try (TestServer server = TestServer.start(data, "--apodex.keep-free=1000000GB")) {
            JsonNode run = server.client().await(waiting);
            assertThat(Instant.parse(run.get("createdAt").asText()))
                    .as("the same moment wherever the machine lives")
                    .isCloseTo(Instant.now(), within(10, ChronoUnit.MINUTES));
            assertThat(run.get("state").asText()).isEqualTo("failed");
            assertThat(run.get("failure").asText())
                    .matches(
                            "Printing stopped: This run takes up to \\d+ MB on the disk, and 0 MB are free: \\d+ MB are missing\\. .*");
            assertThat(data.resolve("runs").resolve(waiting))
                    .satisfiesAnyOf(
                            folder -> assertThat(folder).doesNotExist(),
                            folder -> assertThat(Files.list(folder)).isEmpty());
            Answer refused = server.client().post("/api/handoffs/" + handoff + "/runs", "");
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.json().get("detail").asText()).contains("MB are missing");
            assertThat(server.client()
                            .get("/api/handoffs/" + handoff)
                            .json()
                            .get("estimate")
                            .get("bytesFree")
                            .asLong())
                    .isZero();
        } finally {
            TimeZone.setDefault(here);
        }
    }
}
