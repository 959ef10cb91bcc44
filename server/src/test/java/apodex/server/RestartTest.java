package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.server.nodes.NodeProcess;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/** A server that dies, or is stopped, in the middle of a run, in a process of its own. */
@Execution(ExecutionMode.CONCURRENT)
final class RestartTest {
    /** Nothing taken over from the run before, or there would be little to interrupt; one version, for one name. */
    private static final String EVERYTHING = "{\"version\": \"v\", \"everything\": true}";

    private static final int KILLS = 6;

    @TempDir
    private Path data;

    @Test
    void stoppedPolitelyARunGoesOnByItselfAndLeavesNothingBehind() throws Exception {
        String handoff;
        List<String> expected;
        try (TestServer server = TestServer.start(data)) {
            handoff = server.client().handoff(LongSessions.make(server, 8, 60));
            expected = hashes(server.client().await(server.client().run(handoff, EVERYTHING)));
        }
        String run;
        try (NodeProcess process = started()) {
            run = process.client().run(handoff, EVERYTHING);
            while (process.client()
                            .get("/api/runs/" + run)
                            .json()
                            .get("progress")
                            .asDouble()
                    < 0.2) {
                Thread.sleep(10);
            }
            process.stop();
        }
        assertThat(visible(run)).as("files are seen all or not at all").isIn(List.of(), List.of(11L));
        try (NodeProcess process = started()) {
            assertThat(hashes(process.client().await(run))).isEqualTo(expected);
            process.stop();
        }
        try (Stream<Path> inside = Files.list(data.resolve("runs").resolve(run))) {
            assertThat(inside.map(path -> path.getFileName().toString()))
                    .as("no leftovers of the attempt that died")
                    .containsExactlyInAnyOrder("files", "result.json", "pictures", "parcels");
        }
    }

    /**
     * Several runs of different kinds wait in one queue while the server is killed at random moments: whatever was under way, each start
     * goes on from there, and at no moment is anything half-written seen.
     */
    @Test
    void killedHardAtRandomMomentsAllRunsEndWithTheSameBytes() throws Exception {
        List<String> handoffs = new ArrayList<>();
        List<JsonNode> expected = new ArrayList<>();
        List<List<String>> expectedSums = new ArrayList<>();
        try (TestServer server = TestServer.start(data)) {
            String session = LongSessions.make(server, 8, 30);
            for (String settings : List.of("{}", "{\"depth\": \"int16\", \"format\": \"flac\"}", "{\"rate\": 44100}")) {
                String handoff = server.client().handoff(session);
                server.client()
                        .put(
                                "/api/handoffs/" + handoff,
                                "{\"handoff\": {\"name\": \"x\", \"settings\": " + settings + "}}");
                handoffs.add(handoff);
                String run = server.client().run(handoff, EVERYTHING);
                expected.add(server.client().await(run));
                expectedSums.add(server.client().awaitSums(run));
            }
        }
        long seed = 2_026;
        Random random = new Random(seed);
        List<String> runs = new ArrayList<>();
        for (int kill = 0; kill < KILLS; kill++) {
            try (NodeProcess process = started()) {
                for (int i = runs.size(); i < handoffs.size(); i++) {
                    runs.add(process.client().run(handoffs.get(i), EVERYTHING));
                }
                Thread.sleep(random.nextInt(2_500));
                process.kill();
            }
            for (String run : runs) {
                assertThat(visible(run)).as("seed %d, kill %d", seed, kill).isIn(List.of(), List.of(11L));
            }
        }
        try (NodeProcess process = started()) {
            for (int i = 0; i < runs.size(); i++) {
                JsonNode done = process.client().await(runs.get(i));
                assertThat(done.get("state").asText())
                        .as("seed %d: %s", seed, done)
                        .isEqualTo("done");
                assertThat(hashes(done)).isEqualTo(hashes(expected.get(i)));
                assertThat(process.client().awaitSums(runs.get(i)))
                        .as("the parcel too")
                        .isEqualTo(expectedSums.get(i));
            }
            process.stop();
        }
    }

    private static List<String> hashes(JsonNode run) {
        return run.get("files").findValuesAsText("sha256");
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
            assertThat(server.client().get("/api/sessions").json().get("sessions"))
                    .hasSize(1);
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

    private NodeProcess started() throws Exception {
        NodeProcess process = new NodeProcess(data, List.of());
        process.start();
        return process;
    }
}
