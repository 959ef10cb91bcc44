package apodex.server.runs;

import apodex.server.web.DatabaseTrouble;
import java.time.Duration;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Waits for a database that is away: what was printed for minutes is not given up for seconds. */
final class Patience {
    private static final Logger LOG = LoggerFactory.getLogger(Patience.class);
    private static final Duration LONGEST = Duration.ofMinutes(2);
    private static final long AGAIN_MS = 500;

    private Patience() {}

    /** Does it, as often as the database is not there, for two minutes. */
    static <T> T with(Supplier<T> work) {
        for (long end = System.nanoTime() + LONGEST.toNanos(); ; ) {
            try {
                return work.get();
            } catch (RuntimeException e) {
                if (!DatabaseTrouble.isIn(e) || System.nanoTime() > end) {
                    throw e;
                }
                LOG.info("Waiting for the database.");
                pause(e);
            }
        }
    }

    static void doing(Runnable work) {
        with(() -> {
            work.run();
            return null;
        });
    }

    private static void pause(RuntimeException reason) {
        try {
            Thread.sleep(AGAIN_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw reason;
        }
    }
}
