package apodex.server.nodes;

import com.fasterxml.jackson.databind.JsonNode;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.SystemClock;
import com.github.kagkarlsson.scheduler.TaskResolver;
import com.github.kagkarlsson.scheduler.event.SchedulerListeners;
import com.github.kagkarlsson.scheduler.jdbc.AutodetectJdbcCustomization;
import com.github.kagkarlsson.scheduler.jdbc.JdbcTaskRepository;
import com.github.kagkarlsson.scheduler.task.Execution;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What many nodes cost on one machine, as ratios within one run; asked for by {@code ./apodex bench nodes}. */
class NodeFigures {
    private static final int SHORT_ONES = 100;
    private static final int UNTIL_WARM = 5;
    private static final int ROUNDS = 21;
    private static final int ROUNDS_OF_TWO = 4;
    private static final int ASKED_EACH_ROUND = 3;
    private static final long TAKEN_FOR_GONE_MS = 17_000;
    private static final long SEEN_AGAIN_MS = 7_000;
    private static final int WAITING = 10_000;
    private static final Pattern LINE = Pattern.compile(
            "ending=done .*seconds=([\\d.]+) claiming=([\\d.]+) .*printing=([\\d.]+) publishing=([\\d.]+)");

    @TempDir
    private Path folder;

    /** Somebody who asks for the same run again and again, and what that took. */
    private static final class Asking {
        private final NodeProcess node;
        private final String handoff;
        private final List<Double> seconds = new ArrayList<>();

        Asking(NodeProcess node, String handoff) {
            this.node = node;
            this.handoff = handoff;
        }

        static Asking of(NodeProcess node, int seconds) throws Exception {
            return new Asking(node, node.client().handoff(ManyNodesTest.bringIn(node.client(), 8, seconds)));
        }

        void once() throws Exception {
            long began = System.nanoTime();
            JsonNode run = node.client().await(node.client().run(handoff, ManyNodesTest.EVERYTHING));
            if (!"done".equals(run.get("state").asText())) {
                throw new AssertionError(run.toString());
            }
            seconds.add((System.nanoTime() - began) / 1e9);
            forget(run.get("id").asText());
        }

        /**
         * What comes behind a run is over before the next, of whomever it is: its checksum, and what the system has not written yet, for
         * which others would wait. And this store takes longer over each object the more of them it has.
         */
        private void forget(String run) throws Exception {
            node.client().awaitSums(run);
            Started.run(List.of("sync"));
            node.client().delete("/api/runs/" + run);
            node.client().delete("/api/bin/runs/" + run);
        }

        double median() {
            return NodeFigures.median(seconds);
        }

        /** Of the ratios of what was asked for next to each other. */
        double medianOver(Asking other) {
            return NodeFigures.median(IntStream.range(0, seconds.size())
                    .mapToObj(i -> seconds.get(i) / other.seconds.get(i))
                    .toList());
        }

        double shareOfClaimAndPublish() {
            return medianSaid(line -> (said(line, 2) + said(line, 4)) / said(line, 1));
        }

        double printing() {
            return medianSaid(line -> said(line, 3));
        }

        /** Of what the node said of its last runs. */
        private double medianSaid(ToDoubleFunction<Matcher> figure) {
            List<Double> figures = new ArrayList<>();
            Matcher line = LINE.matcher(node.said());
            while (line.find()) {
                figures.add(figure.applyAsDouble(line));
            }
            return NodeFigures.median(figures);
        }

        private static double said(Matcher line, int group) {
            return Double.parseDouble(line.group(group));
        }
    }

    /** By turns: what else this machine does befalls both. */
    @Test
    void measure() throws Exception {
        try (NodeProcess single = new NodeProcess(folder.resolve("alone"), List.of(), JavaOptions.AS_SERVED);
                Cluster cluster = new Cluster(folder.resolve("many"), 1, JavaOptions.AS_SERVED)) {
            single.start();
            NodeProcess node = cluster.add(Role.ALL).process();
            node.awaitAnswer();
            for (NodeProcess each : List.of(single, node)) {
                Asking warming = Asking.of(each, 2);
                for (int i = 0; i < SHORT_ONES; i++) { // all of Java there is to compile, soon
                    warming.once();
                }
            }
            Asking alone = Asking.of(single, 90);
            Asking shared = Asking.of(node, 90);
            for (int round = 0; round < UNTIL_WARM + ROUNDS; round++) {
                if (round == UNTIL_WARM) {
                    alone.seconds.clear();
                    shared.seconds.clear();
                }
                alone.once();
                shared.once();
            }
            figure("folder_seconds", alone.median());
            figure("claim_and_publish_share_folder", alone.shareOfClaimAndPublish());
            figure("s3_over_folder", shared.median() / alone.median());
            figure("s3_over_folder_by_neighbours", shared.medianOver(alone));
            figure("sending_over_printing", (shared.median() - alone.median()) / alone.printing());
            single.stop();
            node.stop();
            figure("claim_ms_of_10000", claim(cluster) * 1000);
        }
    }

    /**
     * Whether it pays to give half of what is hardly walked to another node: two machines of one core each, with their recordings at hand
     * and nothing between them and the store, against one of them.
     */
    @Test
    void measureSplitting() throws Exception {
        try (Cluster cluster = new Cluster(folder.resolve("split"), 1, JavaOptions.AS_SERVED)) {
            NodeProcess web = cluster.add(Role.WEB).process();
            web.awaitAnswer();
            List<NodeProcess> printing = new ArrayList<>();
            for (int core = 0; core < 2; core++) {
                NodeProcess node = cluster.addOn(
                                core,
                                Role.PRINT,
                                "--apodex.share-from-seconds=0",
                                "--apodex.share-below-per-second=1TB")
                        .process();
                node.awaitAnswer();
                printing.add(node);
            }
            String handoff = Sections.of(web.client(), ManyNodesTest.bringIn(web.client(), 8, 90), 23, 45);
            Asking two = new Asking(web, handoff);
            Asking one = new Asking(web, handoff);
            for (int round = 0; round < ROUNDS_OF_TWO; round++) {
                ask(two, round);
                printing.get(1).pause();
                Thread.sleep(TAKEN_FOR_GONE_MS);
                ask(one, round);
                printing.get(1).wake();
                Thread.sleep(SEEN_AGAIN_MS);
            }
            figure("two_nodes_over_one_at_raw", two.medianOver(one));
        }
    }

    private static void ask(Asking who, int round) throws Exception {
        for (int i = 0; i < ASKED_EACH_ROUND; i++) {
            who.once();
        }
        if (round == 0) {
            who.seconds.clear();
        }
    }

    private static void figure(String name, double value) {
        System.out.printf(Locale.ROOT, "figure %s %.4f%n", name, value);
    }

    private static double median(List<Double> values) {
        return values.stream().sorted().toList().get(values.size() / 2);
    }

    /** Seconds to find out who is next among many, and to take it up. */
    private static double claim(Cluster cluster) throws Exception {
        cluster.sql("DELETE FROM scheduled_tasks");
        cluster.sql("INSERT INTO scheduled_tasks (task_name, task_instance, execution_time, picked, version)"
                + " SELECT 'print-run', CONCAT('run ', seq), TIMESTAMP '2001-01-01 00:00:00' + INTERVAL (seq * 7919 MOD 10007) SECOND,"
                + " FALSE, 1 FROM seq_1_to_" + WAITING);
        OneTimeTask<Void> task = Tasks.oneTime("print-run").execute((instance, context) -> {});
        List<Double> seconds = new ArrayList<>();
        try (HikariDataSource source = source(cluster)) {
            JdbcTaskRepository tasks = new JdbcTaskRepository(
                    source,
                    false,
                    new AutodetectJdbcCustomization(source, true),
                    "scheduled_tasks",
                    new TaskResolver(SchedulerListeners.NOOP, new SystemClock(), List.of(task)),
                    new SchedulerName.Fixed("bench"),
                    false,
                    new SystemClock());
            for (int round = 0; round < 50; round++) {
                long began = System.nanoTime();
                Execution next = tasks.getDue(Instant.now(), 3).get(0);
                if (tasks.pick(next, Instant.now()).isEmpty()) {
                    throw new AssertionError("Somebody else is at this queue.");
                }
                seconds.add((System.nanoTime() - began) / 1e9);
            }
        }
        return median(seconds);
    }

    /** Connections that are there already, as a node has them. */
    private static HikariDataSource source(Cluster cluster) {
        HikariDataSource source = new HikariDataSource();
        source.setJdbcUrl("jdbc:mariadb://127.0.0.1:" + cluster.databases.get(0).port() + "/apodex");
        source.setUsername("apodex");
        source.setPassword(DatabaseMember.PASSWORD);
        return source;
    }
}
