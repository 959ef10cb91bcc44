package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A server that dies, or is stopped, in the middle of a run, in a process of its own. */
final class RestartTest {
    /** Nothing taken over from the run before, or there would be little to interrupt; one version, for one name. */
    private static final String EVERYTHING = "{\"version\": \"v\", \"everything\": true}";

    @TempDir
    private Path data;

    @ParameterizedTest(name = "killed hard: {0}, once past {1}")
    @CsvSource({"true,0.1", "true,0.6", "false,0.2"})
    void theRunGoesOnByItselfAndNothingHalfWrittenIsEverSeen(boolean hard, double past) throws Exception {
        String session;
        String handoff;
        List<String> expected;
        try (TestServer server = TestServer.start(data)) {
            session = LongSessions.make(server, 8, 240);
            handoff = server.client().handoff(session);
            expected = server.client()
                    .await(server.client().run(handoff, EVERYTHING))
                    .get("files")
                    .findValuesAsText("sha256");
        }
        String run;
        try (ServerProcess process = ServerProcess.start(data)) {
            run = process.client.run(handoff, EVERYTHING);
            while (process.client.get("/api/runs/" + run).json().get("progress").asDouble() < past) {
                Thread.sleep(10);
            }
            process.stop(hard);
        }
        assertThat(visible(run)).as("files are seen all or not at all").isIn(List.of(), List.of(11L));
        try (ServerProcess process = ServerProcess.start(data)) {
            JsonNode done = process.client.await(run);
            assertThat(done.get("state").asText()).as(done.toString()).isEqualTo("done");
            assertThat(done.get("files").findValuesAsText("sha256")).isEqualTo(expected);
            process.stop(false);
        }
        try (Stream<Path> inside = Files.list(data.resolve("runs").resolve(run))) {
            assertThat(inside.map(path -> path.getFileName().toString()))
                    .as("no leftovers of the attempt that died")
                    .containsExactlyInAnyOrder("files", "result.json", "pictures", "parcels");
        }
    }

    /** One run, killed again and again: whatever was under way, each start goes on from there. */
    @Test
    void killedHardAtTwentyRandomMomentsOfARunItEndsWithTheSameBytes() throws Exception {
        String handoff;
        JsonNode expected;
        try (TestServer server = TestServer.start(data)) {
            handoff = server.client().handoff(LongSessions.make(server, 8, 240));
            expected = server.client().await(server.client().run(handoff, EVERYTHING));
        }
        long seed = 2_026;
        Random random = new Random(seed);
        String run = null;
        for (int kill = 0; kill < 20; kill++) {
            try (ServerProcess process = ServerProcess.start(data)) {
                run = run == null
                                || process.client
                                        .get("/api/runs/" + run)
                                        .json()
                                        .get("state")
                                        .asText()
                                        .equals("done")
                        ? process.client.run(handoff, EVERYTHING)
                        : run;
                Thread.sleep(random.nextInt(2_500));
                process.stop(true);
            }
        }
        try (ServerProcess process = ServerProcess.start(data)) {
            JsonNode done = process.client.await(run);
            assertThat(done.get("state").asText()).as("seed %d: %s", seed, done).isEqualTo("done");
            assertThat(done.get("files").findValuesAsText("sha256"))
                    .isEqualTo(expected.get("files").findValuesAsText("sha256"));
            assertThat(done.get("parcels").get(0).get("sha256"))
                    .as("the parcel too")
                    .isEqualTo(expected.get("parcels").get(0).get("sha256"));
            process.stop(false);
        }
    }

    @Test
    void theDemoSongIsLoadedOnce() throws Exception {
        try (TestServer server = TestServer.start(data, "--apodex.demo=true")) {
            assertThat(server.client()
                            .get("/actuator/health")
                            .json()
                            .get("status")
                            .asText())
                    .isEqualTo("UP");
            assertThat(server.client().get("/api/sessions").json().findValuesAsText("title"))
                    .containsExactly("Low Tide Waltz");
        }
        try (TestServer server = TestServer.start(data, "--apodex.demo=true")) {
            assertThat(server.client().get("/api/sessions").json()).hasSize(1);
        }
    }

    private List<Long> visible(String run) throws IOException {
        Path files = data.resolve("runs").resolve(run).resolve("files");
        if (!Files.exists(files)) {
            return List.of();
        }
        try (Stream<Path> inside = Files.walk(files)) {
            return List.of(inside.filter(path -> !path.equals(files)).count());
        }
    }

    private static final class ServerProcess implements AutoCloseable {
        private final Process process;
        private final Client client;

        private ServerProcess(Process process, int port) {
            this.process = process;
            this.client = new Client(port);
        }

        static ServerProcess start(Path data) throws Exception {
            int port;
            try (ServerSocket any = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
                port = any.getLocalPort();
            }
            Process process = new ProcessBuilder(
                            ProcessHandle.current().info().command().orElse("java"),
                            "-XX:TieredStopAtLevel=1",
                            "-cp",
                            System.getProperty("java.class.path"),
                            "apodex.server.Apodex",
                            "--server.port=" + port,
                            "--apodex.data=" + data)
                    .redirectErrorStream(true)
                    .redirectOutput(data.resolve("server.log").toFile())
                    .start();
            ServerProcess server = new ServerProcess(process, port);
            for (int i = 0; i < 600; i++) {
                try {
                    if (server.client.get("/actuator/health").status() == 200) {
                        return server;
                    }
                } catch (IOException notYet) {
                    assertThat(process.isAlive())
                            .as(Files.readString(data.resolve("server.log")))
                            .isTrue();
                }
                Thread.sleep(100);
            }
            throw new AssertionError("The server did not start: " + Files.readString(data.resolve("server.log")));
        }

        void stop(boolean hard) throws InterruptedException {
            if (hard) {
                process.destroyForcibly();
            } else {
                process.destroy();
            }
            process.waitFor();
        }

        @Override
        public void close() {
            process.destroyForcibly();
        }
    }
}
