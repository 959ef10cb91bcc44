package apodex.server.storage;

import apodex.server.web.DatabaseTrouble;
import apodex.server.web.StorageAway;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Waits for a database or a storage that is away: what was printed for minutes is not given up for seconds. */
public final class Patience {
    private static final Logger LOG = LoggerFactory.getLogger(Patience.class);
    private static final Duration LONGEST = Duration.ofMinutes(2);
    private static final long AGAIN_MS = 500;

    private Patience() {}

    /** Something that reaches the storage. */
    public interface Work<T> {
        T done() throws IOException;
    }

    /** A step that reaches the storage. */
    public interface Step {
        void take() throws IOException;
    }

    /** Does it, as often as the database is not there, for two minutes. */
    public static <T> T with(Supplier<T> work) {
        try {
            return reaching(work::get);
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it reaches no storage
        }
    }

    public static void doing(Runnable work) {
        with(() -> {
            work.run();
            return null;
        });
    }

    /** Does it, as often as the database or the storage is not there, for two minutes. */
    public static <T> T reaching(Work<T> work) throws IOException {
        for (long end = System.nanoTime() + LONGEST.toNanos(); ; ) {
            try {
                return work.done();
            } catch (StorageAway e) {
                if (System.nanoTime() > end) {
                    throw e;
                }
                LOG.info("Waiting for the storage.");
                pause(e);
            } catch (RuntimeException e) {
                if (!DatabaseTrouble.isPassing(e) || System.nanoTime() > end) {
                    throw e;
                }
                LOG.info("Waiting for the database.");
                pause(e);
            }
        }
    }

    /** Does what comes round again by itself; where the database is not there, or others were first, the next time is soon enough. */
    public static void orNextTime(Runnable work) {
        try {
            work.run();
        } catch (RuntimeException e) {
            if (!DatabaseTrouble.isPassing(e)) {
                throw e;
            }
            LOG.debug("It waits for the database.", e);
        }
    }

    public static void step(Step step) throws IOException {
        reaching(() -> {
            step.take();
            return null;
        });
    }

    private static <E extends Exception> void pause(E reason) throws E {
        try {
            Thread.sleep(AGAIN_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw reason;
        }
    }
}
