package apodex.server.runs;

import apodex.server.access.Access;
import apodex.server.access.Right;
import apodex.server.access.Thing;
import apodex.server.accounts.Who;
import jakarta.annotation.Nullable;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class QueueController {
    private final Queue queue;
    private final Who who;
    private final Access access;

    QueueController(Queue queue, Who who, Access access) {
        this.who = who;
        this.access = access;
        this.queue = queue;
    }

    /** @param before run that waits, to come before; null for the end */
    record NewPlace(@Nullable String before) {}

    @GetMapping("/api/queue")
    List<RunMapper.Queued> all() {
        return seen();
    }

    private List<RunMapper.Queued> seen() {
        String person = who.onlyOf();
        return queue.all().stream()
                .filter(run -> person == null || access.may(Right.LISTEN, Thing.SESSION, run.sessionId()))
                .toList();
    }

    @PostMapping("/api/queue/{runId}/place")
    List<RunMapper.Queued> move(@PathVariable String runId, @RequestBody NewPlace place) {
        if (place.before() != null) {
            access.require(Right.LISTEN, Thing.RUN, place.before());
        }
        queue.move(runId, place.before());
        return seen();
    }
}
