package apodex.server.levels;

import apodex.server.listening.Listening;
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
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Looks ahead in the background, one plan after the other. Of a handoff only the latest state is looked at: an older one is given up as
 * soon as a newer one is asked for. Runs and listeners come first: meanwhile nothing is looked at, and whoever asks again starts it anew.
 */
@Component
@ConditionalOnExpression("'${apodex.storage.address}'.isBlank()")
class LookingAhead implements Looking {
    private static final Logger LOG = LoggerFactory.getLogger(LookingAhead.class);
    private static final long LOOK_EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(200);

    /** What failed, a recording that was gone, say, may be well by then. */
    private static final long TRY_AGAIN_NANOS = TimeUnit.MINUTES.toNanos(1);

    private final LevelMapper mapper;
    private final Listening listening;
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

    LookingAhead(LevelMapper mapper, Listening listening) {
        this.mapper = mapper;
        this.listening = listening;
    }

    @EventListener(ApplicationReadyEvent.class)
    void forgetOld() {
        mapper.forgetOld();
    }

    private record Failed(State state, String why, long nanos) {}

    @Override
    public synchronized boolean isAt(State state) {
        Asked next = wanted.get(state.handoffId());
        return current != null && current.state().equals(state)
                || next != null && next.state().equals(state);
    }

    @Override
    public synchronized Optional<String> ask(Asked asked) {
        Failed before = failed.get(asked.handoffId());
        if (before != null
                && before.state().equals(asked.state())
                && System.nanoTime() - before.nanos() < TRY_AGAIN_NANOS) {
            return Optional.of(before.why());
        }
        failed.remove(asked.handoffId());
        if (!isAt(asked.state())) {
            boolean waits = wanted.put(asked.handoffId(), asked) != null;
            if (!waits) {
                background.execute(this::next);
            }
        }
        return Optional.empty();
    }

    /** Those who print, and those who listen, have the machine first. */
    private boolean isOthersTurn() {
        return mapper.isPrinting() || listening.isHeard();
    }

    private void next() {
        Asked asked = begin();
        if (asked == null) {
            return;
        }
        try {
            if (!isOthersTurn()) {
                Looking.look(asked, new Observer(asked), mapper);
            }
        } catch (CancellationException e) {
            LOG.debug("Looking ahead for {} was given up.", asked.handoffId());
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            LOG.warn("Looking ahead for {} failed.", asked.handoffId(), e);
            fail(asked, Looking.inWords(e));
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
        failed.put(asked.handoffId(), new Failed(asked.state(), why, System.nanoTime()));
    }

    private synchronized void end() {
        current = null;
    }

    private synchronized boolean isOutdated(Asked asked) {
        return wanted.containsKey(asked.handoffId())
                || asked.state().scope() == Scope.EVERYWHERE
                        && wanted.values().stream()
                                .anyMatch(each -> each.state().scope() == Scope.CHOSEN);
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
                over = isOutdated(asked) || isOthersTurn();
            }
            return over || Thread.currentThread().isInterrupted();
        }
    }

    @PreDestroy
    void stop() {
        background.shutdownNow();
    }
}
