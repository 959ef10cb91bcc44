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
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mariadb.jdbc.MariaDbDataSource;

/** What many nodes cost on one machine, as ratios within one run; asked for by {@code ./apodex bench nodes}. */
class NodeFigures {
    private static final int UNTIL_WARM = 6;
    private static final int ROUNDS = 15;
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

        Asking(NodeProcess node) throws Exception {
            this.node = node;
            this.handoff = node.client().handoff(ManyNodesTest.bringIn(node.client(), 8, 90));
        }

        void once() throws Exception {
            long began = System.nanoTime();
            JsonNode run = node.client().await(node.client().run(handoff, ManyNodesTest.EVERYTHING));
            if (!"done".equals(run.get("state").asText())) {
                throw new AssertionError(run.toString());
            }
            seconds.add((System.nanoTime() - began) / 1e9);
        }

        double median() {
            return NodeFigures.median(seconds);
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
            Asking alone = new Asking(single);
            Asking shared = new Asking(node);
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
            figure("sending_over_printing", (shared.median() - alone.median()) / alone.printing());
            single.stop();
            node.stop();
            figure("claim_ms_of_10000", claim(cluster) * 1000);
        }
    }

    private static void figure(String name, double value) {
        System.out.printf(Locale.ROOT, "figure %s %.4f%n", name, value);
    }

    private static double median(List<Double> values) {
        Collections.sort(values);
        return values.get(values.size() / 2);
    }

    /** Seconds to find out who is next among many, and to take it up. */
    private static double claim(Cluster cluster) throws Exception {
        cluster.sql("DELETE FROM scheduled_tasks");
        cluster.sql("INSERT INTO scheduled_tasks (task_name, task_instance, execution_time, picked, version)"
                + " SELECT 'print-run', CONCAT('run ', seq), TIMESTAMP '2001-01-01 00:00:00' + INTERVAL (seq * 7919 MOD 10007) SECOND,"
                + " FALSE, 1 FROM seq_1_to_" + WAITING);
        DataSource source = source(cluster);
        OneTimeTask<Void> task = Tasks.oneTime("print-run").execute((instance, context) -> {});
        JdbcTaskRepository tasks = new JdbcTaskRepository(
                source,
                false,
                new AutodetectJdbcCustomization(source, true),
                "scheduled_tasks",
                new TaskResolver(SchedulerListeners.NOOP, new SystemClock(), List.of(task)),
                new SchedulerName.Fixed("bench"),
                false,
                new SystemClock());
        List<Double> seconds = new ArrayList<>();
        for (int round = 0; round < 50; round++) {
            long began = System.nanoTime();
            Execution next = tasks.getDue(Instant.now(), 3).get(0);
            if (tasks.pick(next, Instant.now()).isEmpty()) {
                throw new AssertionError("Somebody else is at this queue.");
            }
            seconds.add((System.nanoTime() - began) / 1e9);
        }
        return median(seconds);
    }

    private static DataSource source(Cluster cluster) throws Exception {
        return new MariaDbDataSource("jdbc:mariadb://127.0.0.1:"
                + cluster.databases.get(0).port() + "/apodex?user=apodex&password=" + DatabaseMember.PASSWORD);
    }
}
