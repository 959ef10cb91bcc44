package apodex.audio;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Does the same with many things at once, for work on whole files. */
public final class AllCores implements AutoCloseable {
    private final ExecutorService crew;

    public AllCores(int threads) {
        crew = Executors.newFixedThreadPool(Math.max(1, threads));
    }

    /** What is done with one. */
    public interface Work<T, R> {
        R with(T thing) throws IOException;
    }

    /** Does it with all of them, and lets the threads go. */
    public static <T, R> List<R> with(List<T> things, int threads, Work<T, R> work) throws IOException {
        try (AllCores cores = new AllCores(Math.min(threads, things.size()))) {
            return cores.each(things, work);
        }
    }

    /**
     * Does it with all of them.
     *
     * @return what came of each, in their order
     * @throws IOException           of the first that failed
     * @throws CancellationException when the thread was interrupted, or one of them was cancelled
     */
    public <T, R> List<R> each(List<T> things, Work<T, R> work) throws IOException {
        List<Future<R>> running = new ArrayList<>();
        for (T thing : things) {
            running.add(crew.submit(() -> work.with(thing)));
        }
        List<R> results = new ArrayList<>();
        try {
            for (Future<R> each : running) {
                results.add(each.get());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted in the middle.");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            if (e.getCause() instanceof Error error) {
                throw error;
            }
            throw e.getCause() instanceof RuntimeException runtime ? runtime : new IllegalStateException(e.getCause());
        }
        return results;
    }

    /** Calls off what is not done. */
    @Override
    public void close() {
        crew.shutdownNow();
    }
}
