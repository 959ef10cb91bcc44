package apodex.server.findings;

import apodex.intake.RecordingStore;
import apodex.server.errands.Errands;
import apodex.server.storage.Storage;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.Collection;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Reads every sample of recordings in the background, each once for all sessions that use it. */
@Component
class Measuring {
    private static final Logger LOG = LoggerFactory.getLogger(Measuring.class);

    private final RecordingStore store;
    private final Set<String> asked = ConcurrentHashMap.newKeySet();
    private final ExecutorService crew =
            Executors.newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors() / 2), work -> {
                Thread thread = new Thread(work, "measuring");
                thread.setDaemon(true);
                thread.setPriority(Thread.MIN_PRIORITY);
                return thread;
            });

    private final Storage storage;
    private final Errands errands;

    Measuring(RecordingStore store, Storage storage, Errands errands) {
        this.storage = storage;
        this.errands = errands;
        this.store = store;
    }

    /**
     * Sees to it that all of these will be measured.
     *
     * @return how many still are not
     */
    int see(Collection<String> recordings) {
        int left = 0;
        for (String sha256 : recordings) {
            if (store.has(sha256) && !store.isScanned(sha256) && !failed.contains(sha256)) {
                left++;
                if (storage.isShared()) {
                    errands.ask(MeasureErrand.NAME, sha256);
                } else if (asked.add(sha256)) {
                    crew.execute(() -> measure(sha256));
                }
            }
        }
        return left;
    }

    /** Recordings that cannot be read are not tried again until the next start. */
    private final Set<String> failed = ConcurrentHashMap.newKeySet();

    private void measure(String sha256) {
        try {
            store.measure(sha256);
        } catch (IOException | RuntimeException e) {
            failed.add(sha256);
            LOG.warn("Recording {} could not be measured.", sha256, e);
        } finally {
            asked.remove(sha256);
        }
    }

    @PreDestroy
    void stop() {
        crew.shutdownNow();
    }
}
