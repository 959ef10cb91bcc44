package apodex.server.runs;

import apodex.server.nodes.ThisNode;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.Timer;
import java.time.Duration;
import java.util.Locale;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Says of every attempt how it ended and what it took: one line in the log, and figures to be asked for. No names of people or songs. */
@Component
class RunFigures {
    private static final Logger LOG = LoggerFactory.getLogger("apodex.run");

    private final MeterRegistry registry;
    private final ThisNode node;

    RunFigures(MeterRegistry registry, ThisNode node, RunMapper mapper) {
        this.registry = registry;
        this.node = node;
        Gauge.builder("apodex.runs.waiting", mapper, RunMapper::waiting)
                .description("Runs that wait, in the whole house")
                .register(registry);
        Gauge.builder("apodex.runs.printing", node, each -> each.isPrinting() ? 1 : 0)
                .description("Runs under way on this node")
                .register(registry);
    }

    /** Where the time of an attempt goes. */
    static final class Stopwatch {
        private final long startNanos = System.nanoTime();
        private long claimed;
        private long brought;
        private long published;
        private long over;

        void isClaimed() {
            claimed = System.nanoTime();
        }

        void recordingsAreHere() {
            brought = System.nanoTime();
        }

        void isPacked() {
            over = System.nanoTime();
        }

        /** And the database refers to it. */
        void isPublished() {
            published = System.nanoTime();
        }

        private double claiming() {
            return seconds(startNanos, claimed);
        }

        private double fetching() {
            return seconds(claimed, brought);
        }

        private double publishing() {
            return seconds(over, published);
        }

        private double all() {
            return seconds(startNanos, System.nanoTime());
        }

        private static double seconds(long from, long to) {
            return from == 0 || to == 0 ? 0 : (to - from) / 1e9;
        }
    }

    /** @param bytes of what came of it; 0 for nothing */
    void over(String runId, RunEnding ending, int files, long bytes, RunProgress progress, Stopwatch watch) {
        String word = ending.name().toLowerCase(Locale.ROOT);
        Timer.builder("apodex.runs")
                .description("Attempts at runs")
                .tag("ending", word)
                .register(registry)
                .record(Duration.ofNanos((long) (watch.all() * 1e9)));
        registry.summary("apodex.runs.bytes").record(bytes);
        LOG.info(String.format(
                Locale.ROOT,
                "run=%s ending=%s node=%s files=%d bytes=%d seconds=%.3f claiming=%.3f fetching=%.3f printing=%.3f publishing=%.3f",
                runId,
                word,
                node.id(),
                files,
                bytes,
                watch.all(),
                watch.claiming(),
                watch.fetching(),
                progress.secondsPrinted(),
                watch.publishing()));
    }
}
