package apodex.server.runs;

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

    QueueController(Queue queue) {
        this.queue = queue;
    }

    /** @param before run that waits, to come before; null for the end */
    record NewPlace(@Nullable String before) {}

    @GetMapping("/api/queue")
    List<RunMapper.Queued> all() {
        return queue.all();
    }

    @PostMapping("/api/queue/{runId}/place")
    List<RunMapper.Queued> move(@PathVariable String runId, @RequestBody NewPlace place) {
        queue.move(runId, place.before());
        return queue.all();
    }
}
