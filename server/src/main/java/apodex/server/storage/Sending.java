package apodex.server.storage;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Files of a thing on their way to the store, one begun after the other, while the rest of it is made. */
final class Sending {
    private static final Logger LOG = LoggerFactory.getLogger(Sending.class);

    /** They mostly wait; as many as there are things being made. */
    private static final ExecutorService THREADS = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "sending");
        thread.setDaemon(true);
        return thread;
    });

    /** How one file is sent; waits while too many are on their way. */
    interface Way {
        CompletableFuture<S3Objects.Found> send(Path file) throws IOException;
    }

    private final Map<Path, CompletableFuture<S3Objects.Found>> sent = new ConcurrentHashMap<>();
    private final Way way;
    private CompletableFuture<Void> work = CompletableFuture.completedFuture(null);
    private volatile boolean isEnded;

    Sending(Way way) {
        this.way = way;
    }

    /** After what was begun before. For the one who makes them: not for several at once. */
    void begin(List<Path> files) {
        work = work.thenRunAsync(() -> send(files), THREADS);
    }

    private void send(List<Path> files) {
        try {
            for (Path file : files) {
                if (isEnded) {
                    return;
                }
                sent.put(file, way.send(file));
            }
        } catch (IOException | RuntimeException e) {
            LOG.debug("The rest is sent when all is made.", e);
        }
    }

    /** Begins no more. @return what was sent or is on its way, or did not get through */
    Map<Path, CompletableFuture<S3Objects.Found>> end() {
        isEnded = true;
        work.join();
        return sent;
    }

    /** Returns when nothing is on its way any more. */
    void callOff() {
        await(end().values());
    }

    /** Whether or not they got through. */
    static void await(Iterable<? extends CompletableFuture<?>> onTheWay) {
        for (CompletableFuture<?> each : onTheWay) {
            each.handle((done, failed) -> null).join();
        }
    }
}
