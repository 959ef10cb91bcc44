package apodex.server.runs;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells everyone who follows a run how it goes. The news come from the database, so it does not matter which node
 * carries the run out.
 */
@Component
class RunEvents {
    private static final long WITHOUT_END = 0L;
    /** So often something is sent even when there is no news: who has left is found out by it. */
    private static final long SIGN_OF_LIFE_NANOS = TimeUnit.SECONDS.toNanos(10);

    private final RunMapper mapper;
    private final Map<SseEmitter, Follower> followers = new ConcurrentHashMap<>();
    /** One that does not take what is sent to it holds up nobody else. */
    private final ExecutorService senders = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "run-events");
        thread.setDaemon(true);
        return thread;
    });

    RunEvents(RunMapper mapper) {
        this.mapper = mapper;
    }

    private static final class Follower {
        private final String runId;
        private final AtomicBoolean sending = new AtomicBoolean();
        private volatile RunMapper.Pulse told;
        private volatile long sentNanos = System.nanoTime();

        Follower(String runId) {
            this.runId = runId;
        }

        boolean wants(RunMapper.Pulse now) {
            return !now.equals(told) || System.nanoTime() - sentNanos > SIGN_OF_LIFE_NANOS;
        }
    }

    SseEmitter follow(String runId) {
        SseEmitter emitter = new SseEmitter(WITHOUT_END);
        emitter.onCompletion(() -> followers.remove(emitter));
        emitter.onError(e -> followers.remove(emitter));
        followers.put(emitter, new Follower(runId));
        return emitter;
    }

    /** Each run is asked for once, however many follow it. */
    @Scheduled(fixedDelay = 200)
    void tell() {
        Map<String, RunMapper.Pulse> pulses = new HashMap<>();
        followers.forEach((emitter, follower) -> {
            RunMapper.Pulse now = pulses.computeIfAbsent(follower.runId, mapper::pulse);
            if (now != null && follower.wants(now) && follower.sending.compareAndSet(false, true)) {
                senders.execute(() -> send(emitter, follower, now));
            }
        });
    }

    private void send(SseEmitter emitter, Follower follower, RunMapper.Pulse now) {
        try {
            emitter.send(
                    now.equals(follower.told)
                            ? SseEmitter.event().comment("still here")
                            : SseEmitter.event().name("pulse").data(now));
            follower.told = now;
            follower.sentNanos = System.nanoTime();
            if (now.state().isOver()) {
                followers.remove(emitter);
                emitter.complete();
            }
        } catch (IOException | IllegalStateException e) {
            followers.remove(emitter); // nobody listens any more
        } finally {
            follower.sending.set(false);
        }
    }

    @PreDestroy
    void stop() {
        senders.shutdownNow();
    }
}
