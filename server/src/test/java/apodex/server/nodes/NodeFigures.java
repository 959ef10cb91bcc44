package apodex.server.nodes;

import apodex.server.TestServer.Client;
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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mariadb.jdbc.MariaDbDataSource;

/** What many nodes cost on one machine, as ratios within one run; asked for by {@code ./apodex bench nodes}. */
class NodeFigures {
    private static final int ROUNDS = 7;
    private static final int WAITING = 10_000;
    private static final Pattern LINE =
            Pattern.compile("ending=done .*seconds=([\\d.]+) claiming=([\\d.]+) .*publishing=([\\d.]+)");

    @TempDir
    private Path folder;

    /** Seconds a run takes a person, and of them what claiming and publishing take. */
    private record Took(double seconds, double shareOfClaimAndPublish) {}

    @Test
    void measure() throws Exception {
        Took alone;
        try (NodeProcess node = new NodeProcess(folder.resolve("alone"), List.of())) {
            node.start();
            alone = took(node);
            node.stop();
        }
        try (Cluster cluster = new Cluster(folder.resolve("many"), 1)) {
            NodeProcess node = cluster.add(Role.ALL).process();
            node.awaitAnswer();
            Took shared = took(node);
            figure("claim_and_publish_share_folder", alone.shareOfClaimAndPublish());
            figure("s3_over_folder", shared.seconds() / alone.seconds());
            node.stop();
            figure("claim_ms_of_10000", claim(cluster) * 1000);
        }
    }

    private static void figure(String name, double value) {
        System.out.printf(Locale.ROOT, "figure %s %.4f%n", name, value);
    }

    private static Took took(NodeProcess node) throws Exception {
        Client client = node.client();
        String handoff = client.handoff(ManyNodesTest.bringIn(client, 8, 90));
        List<Double> seconds = new ArrayList<>();
        for (int round = 0; round < ROUNDS; round++) {
            long began = System.nanoTime();
            JsonNode run = client.await(client.run(handoff, ManyNodesTest.EVERYTHING));
            if (!"done".equals(run.get("state").asText())) {
                throw new AssertionError(run.toString());
            }
            seconds.add((System.nanoTime() - began) / 1e9);
        }
        List<Double> shares = new ArrayList<>();
        Matcher line = LINE.matcher(node.said());
        while (line.find()) {
            shares.add((Double.parseDouble(line.group(2)) + Double.parseDouble(line.group(3)))
                    / Double.parseDouble(line.group(1)));
        }
        return new Took(median(seconds), median(shares));
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
