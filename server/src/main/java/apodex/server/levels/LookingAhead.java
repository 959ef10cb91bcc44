package apodex.server.levels;

import apodex.handoff.LookAhead;
import apodex.signal.WalkObserver;
import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Looks ahead in the background, one plan after the other. Of a handoff only the latest state is looked at: an older one is given up as
 * soon as a newer one is asked for. Runs come first: while one prints, nothing is looked at, and whoever asks again starts it anew.
 */
@Component
class LookingAhead {
    /** Printing takes all of the machine, this half of it. */
    static final int THREADS = Math.max(1, Runtime.getRuntime().availableProcessors() / 2);

    private static final Logger LOG = LoggerFactory.getLogger(LookingAhead.class);
    private static final long LOOK_EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(200);

    private final LevelMapper mapper;
    private final ExecutorService background = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "looking-ahead");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });
    /** By handoff: what is wanted, in the order in which it was asked for. */
    private final Map<String, Asked> wanted = new LinkedHashMap<>();

    private final Map<String, Failed> failed = new LinkedHashMap<>();
    private @Nullable Asked current;

    LookingAhead(LevelMapper mapper) {
        this.mapper = mapper;
        mapper.forgetOld();
    }

    /**
     * A plan whose levels are wanted.
     *
     * @param known what is known of it, by key
     */
    record Asked(String handoffId, int sessionRevision, int revision, LookAhead ahead, Map<String, FileLevel> known) {
        boolean isFor(@Nullable Asked other) {
            return other != null
                    && other.handoffId.equals(handoffId)
                    && other.sessionRevision == sessionRevision
                    && other.revision == revision;
        }
    }

    private record Failed(Asked asked, String why) {}

    /**
     * Sees to it that a plan's levels will be known.
     *
     * @return why they will not, when that was tried
     */
    synchronized Optional<String> ask(Asked asked) {
        Failed before = failed.get(asked.handoffId());
        if (before != null && asked.isFor(before.asked())) {
            return Optional.of(before.why());
        }
        failed.remove(asked.handoffId());
        if (!asked.isFor(current) && !asked.isFor(wanted.get(asked.handoffId()))) {
            boolean waits = wanted.put(asked.handoffId(), asked) != null;
            if (!waits) {
                background.execute(this::next);
            }
        }
        return Optional.empty();
    }

    private void next() {
        Asked asked = begin();
        if (asked == null) {
            return;
        }
        try {
            if (!mapper.isPrinting()) {
                asked.ahead()
                        .of(
                                key -> Optional.ofNullable(asked.known().get(key))
                                        .map(FileLevel::quietAt),
                                new Observer(asked))
                        .forEach((key, printed) -> mapper.save(key, FileLevel.of(printed)));
            }
        } catch (CancellationException e) {
            LOG.debug("Looking ahead for {} was given up.", asked.handoffId());
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            LOG.warn("Looking ahead for {} failed.", asked.handoffId(), e);
            fail(
                    asked,
                    e instanceof IOException ? e.getMessage() : "Something went wrong on our side; the log says more.");
        } finally {
            end();
        }
    }

    private synchronized @Nullable Asked begin() {
        var first = wanted.entrySet().iterator();
        if (!first.hasNext()) {
            return null;
        }
        current = first.next().getValue();
        first.remove();
        return current;
    }

    private synchronized void fail(Asked asked, String why) {
        failed.put(asked.handoffId(), new Failed(asked, why));
    }

    private synchronized void end() {
        current = null;
    }

    private synchronized boolean isOutdated(Asked asked) {
        return wanted.containsKey(asked.handoffId());
    }

    private final class Observer implements WalkObserver {
        private final Asked asked;
        private long lookedNanos;
        private boolean over;

        Observer(Asked asked) {
            this.asked = asked;
        }

        @Override
        public void printed(double share) {}

        @Override
        public boolean isCancelled() {
            long now = System.nanoTime();
            if (now - lookedNanos > LOOK_EVERY_NANOS) {
                lookedNanos = now;
                over = isOutdated(asked) || mapper.isPrinting();
            }
            return over || Thread.currentThread().isInterrupted();
        }
    }

    @PreDestroy
    void stop() {
        background.shutdownNow();
    }
}
