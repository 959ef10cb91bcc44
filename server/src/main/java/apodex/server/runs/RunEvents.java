package apodex.server.runs;

import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
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

    private final RunMapper mapper;
    private final Map<SseEmitter, Follower> followers = new ConcurrentHashMap<>();

    RunEvents(RunMapper mapper) {
        this.mapper = mapper;
    }

    private static final class Follower {
        private final String runId;
        private RunMapper.Pulse told;

        Follower(String runId) {
            this.runId = runId;
        }
    }

    SseEmitter follow(String runId) {
        SseEmitter emitter = new SseEmitter(WITHOUT_END);
        emitter.onCompletion(() -> followers.remove(emitter));
        emitter.onError(e -> followers.remove(emitter));
        followers.put(emitter, new Follower(runId));
        return emitter;
    }

    @Scheduled(fixedDelay = 200)
    void tell() {
        followers.forEach(this::tell);
    }

    private void tell(SseEmitter emitter, Follower follower) {
        RunMapper.Pulse now = mapper.pulse(follower.runId);
        if (now.equals(follower.told)) {
            return;
        }
        follower.told = now;
        try {
            emitter.send(SseEmitter.event().name("pulse").data(now));
            if (now.state().isOver()) {
                followers.remove(emitter);
                emitter.complete();
            }
        } catch (IOException | IllegalStateException e) {
            followers.remove(emitter); // nobody listens any more
        }
    }
}
