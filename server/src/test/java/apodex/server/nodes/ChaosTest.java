package apodex.server.nodes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.server.TestServer;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Many runs while nodes, databases and the store are killed, fall asleep and are cut off: each ends once, with the bytes of a single
 * machine, and nothing stays behind. By seed; longer, and with a cluster of databases, by {@code ./apodex chaos}.
 */
class ChaosTest {
    private static final int RUNS = Integer.getInteger("apodex.chaos.runs", 8);
    private static final int DATABASES = Integer.getInteger("apodex.chaos.databases", 1);
    private static final int WEB = Integer.getInteger("apodex.chaos.web", 1);
    private static final long SEED = Long.getLong("apodex.chaos.seed", 1);
    private static final int WAITING_AT_MOST = 5;
    private static final Duration LONGEST = Duration.ofMinutes(Integer.getInteger("apodex.chaos.minutes", 4));

    @TempDir
    private Path folder;

    private final SplittableRandom random = new SplittableRandom(SEED);
    /** What was asked for, and whether it was to be cancelled. */
    private final Map<String, Asked> asked = new LinkedHashMap<>();

    private record Asked(String handoff, boolean cancelled) {}

    @Test
    void everyRunEndsOnceWithTheSameBytesWhateverBefalls() throws Exception {
        Map<Integer, List<String>> expected = onOneMachine();
        try (Cluster cluster = new Cluster(folder.resolve("cluster"), DATABASES)) {
            cluster.add(Role.WEB).process().awaitAnswer();
            for (int web = 1; web < WEB; web++) {
                cluster.add(Role.WEB);
            }
            cluster.add(Role.PRINT);
            cluster.add(Role.PRINT);
            for (Cluster.Node node : cluster.nodes) {
                node.process().awaitAnswer();
            }
            Map<String, Integer> seconds = new HashMap<>();
            for (int size : expected.keySet()) {
                seconds.put(cluster.client().handoff(ManyNodesTest.bringIn(cluster.client(), 4, size)), size);
            }
            List<String> handoffs = List.copyOf(seconds.keySet());
            List<Troubles> troubles = Stream.of(Troubles.Whom.values())
                    .map(whom -> new Troubles(cluster, whom, random.split()))
                    .toList();
            List<Thread> befalling =
                    troubles.stream().map(each -> new Thread(each, "troubles")).toList();
            befalling.forEach(Thread::start);
            long began = System.nanoTime();
            for (int run = 0; run < RUNS; run++) {
                ask(cluster, handoffs.get(random.nextInt(handoffs.size())), "press " + run);
                awaitFewerThan(cluster, WAITING_AT_MOST);
            }
            awaitFewerThan(cluster, 1);
            troubles.forEach(Troubles::end);
            for (Thread each : befalling) {
                each.join();
            }
            assertThat(troubles.stream().flatMap(each -> each.said().stream())).isEmpty();
            System.out.println("figure chaos_runs " + asked.size() + " in "
                    + Duration.ofNanos(System.nanoTime() - began).toSeconds() + " s: "
                    + troubles.stream().map(Troubles::counts).toList());
            judge(cluster, seconds, expected);
            awaitOnlyWhatIsReferredTo(cluster);
        }
    }

    /** Hashes of what is printed, by seconds of the song. */
    private Map<Integer, List<String>> onOneMachine() throws Exception {
        Map<Integer, List<String>> expected = new LinkedHashMap<>();
        try (TestServer single = TestServer.start(folder.resolve("single"))) {
            for (int seconds : List.of(5, 40)) {
                String handoff = single.client().handoff(ManyNodesTest.bringIn(single.client(), 4, seconds));
                String run = single.client().run(handoff, ManyNodesTest.EVERYTHING);
                expected.put(seconds, ManyNodesTest.hashes(single.client().await(run)));
            }
        }
        return expected;
    }

    private void ask(Cluster cluster, String handoff, String press) throws Exception {
        String how = "{\"version\": \"v\", \"everything\": true, \"press\": \"" + press + "\"}";
        String id = trying(cluster, client -> client.post("/api/handoffs/" + handoff + "/runs", how))
                .json()
                .get("id")
                .asText();
        boolean cancelled = random.nextInt(8) == 0;
        assertThat(asked.put(id, new Asked(handoff, cancelled)))
                .as("another press, another run")
                .isNull();
        if (cancelled) {
            Thread.sleep(random.nextInt(3000));
            trying(cluster, client -> client.post("/api/runs/" + id + "/cancel", ""));
        }
    }

    private interface Asking {
        Answer of(Client client) throws Exception;
    }

    /** As a person would: at another node, and again. */
    private static Answer trying(Cluster cluster, Asking asking) throws Exception {
        List<Cluster.Node> serving =
                cluster.nodes.stream().filter(node -> node.role().serves()).toList();
        String last = "";
        for (int i = 0; i < 600; i++) {
            try {
                Answer answer =
                        asking.of(serving.get(i % serving.size()).process().client());
                if (answer.status() < 300) {
                    return answer;
                }
                last = answer.text();
                assertThat(answer.status()).as(last).isNotIn(400, 404, 409, 422, 500);
            } catch (java.io.IOException e) {
                last = e.toString();
            }
            Thread.sleep(200);
        }
        throw new AssertionError("Nobody answers: " + last);
    }

    private void awaitFewerThan(Cluster cluster, int most) throws Exception {
        for (long end = System.nanoTime() + LONGEST.toNanos(); waiting(cluster) >= most; Thread.sleep(300)) {
            assertThat(System.nanoTime())
                    .as("still under way: "
                            + trying(cluster, client -> client.get("/api/queue"))
                                    .text())
                    .isLessThan(end);
        }
    }

    private static int waiting(Cluster cluster) throws Exception {
        return trying(cluster, client -> client.get("/api/queue")).json().size();
    }

    private void judge(Cluster cluster, Map<String, Integer> seconds, Map<Integer, List<String>> expected)
            throws Exception {
        List<String> states = new ArrayList<>();
        for (Map.Entry<String, Asked> each : asked.entrySet()) {
            JsonNode run = trying(cluster, client -> client.get("/api/runs/" + each.getKey()))
                    .json();
            states.add(run.get("state").asText());
            if (each.getValue().cancelled()
                    && "cancelled".equals(run.get("state").asText())) {
                continue;
            }
            assertThat(run.get("state").asText())
                    .as(() -> run.get("failure") + " " + each.getKey() + "\n" + cluster.plight())
                    .isEqualTo("done");
            assertThat(ManyNodesTest.hashes(run))
                    .isEqualTo(expected.get(seconds.get(each.getValue().handoff())));
            byte[] parcel = trying(cluster, client -> client.get("/api/runs/" + each.getKey() + "/parcel"))
                    .whole()
                    .body();
            assertThat(parcel.length)
                    .isEqualTo(run.get("parcels").get(0).get("bytes").asInt());
        }
        for (String handoff : seconds.keySet()) {
            int runs = trying(cluster, client -> client.get("/api/handoffs/" + handoff + "/runs"))
                    .json()
                    .size();
            assertThat(runs).isEqualTo((int) asked.values().stream()
                    .filter(each -> each.handoff().equals(handoff))
                    .count());
        }
        System.out.println("figure chaos_done "
                + states.stream().filter("done"::equals).count() + " cancelled "
                + states.stream().filter("cancelled"::equals).count());
    }

    /** Everything in the store is of a run that is done, or of a recording; each once. */
    private static void awaitOnlyWhatIsReferredTo(Cluster cluster) throws Exception {
        List<String> stray = List.of("not looked yet");
        for (int i = 0; i < 300 && !stray.isEmpty(); i++) {
            cluster.sql("UPDATE writing SET until = CURRENT_TIMESTAMP(3)");
            Thread.sleep(500);
            List<String> names = cluster.names(
                    "SELECT stored_as FROM run WHERE stored_as IS NOT NULL UNION SELECT name FROM stored_recording");
            stray = cluster.keys().stream()
                    .map(key -> key.substring("all/".length()))
                    .filter(key -> names.stream().noneMatch(name -> key.startsWith(name + "/")))
                    .toList();
        }
        assertThat(stray).as(cluster::plight).isEmpty();
        assertThat(cluster.names("SELECT task_instance FROM scheduled_tasks")).isEmpty();
        long made = 0;
        for (Cluster.Node node : cluster.nodes) {
            Path making = node.process().data().resolve("local/making");
            if (Files.exists(making)) {
                try (Stream<Path> inside = Files.walk(making)) {
                    made += inside.filter(Files::isRegularFile).count();
                }
            }
        }
        assertThat(made).as("files half made on nodes").isCloseTo(0, within(0L));
    }
}
