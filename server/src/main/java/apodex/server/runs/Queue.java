package apodex.server.runs;

import apodex.server.web.Refused;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;

/**
 * The runs that print or wait, of all handoffs. One prints at a time, since each takes the whole machine. The order is that of
 * the times in the scheduler's table, so every node sees the same.
 */
@Service
class Queue {
    private final RunMapper mapper;
    private final SchedulerClient scheduler;
    private final OneTimeTask<Void> printRun;
    private final OneTimeTask<Void> proveRun;

    Queue(RunMapper mapper, SchedulerClient scheduler, OneTimeTask<Void> printRun, OneTimeTask<Void> proveRun) {
        this.proveRun = proveRun;
        this.mapper = mapper;
        this.scheduler = scheduler;
        this.printRun = printRun;
    }

    void add(String runId) {
        RunQueue.add(scheduler, printRun, runId);
    }

    void readAgain(String runId) {
        RunQueue.add(scheduler, proveRun, runId);
    }

    List<RunMapper.Queued> all() {
        return mapper.queue();
    }

    /**
     * Puts a run that waits before another that waits.
     *
     * @param before null for last
     */
    void move(String runId, @Nullable String before) {
        List<String> waiting = new ArrayList<>(all().stream()
                .filter(run -> run.state() == RunState.WAITING)
                .map(RunMapper.Queued::id)
                .toList());
        if (!waiting.remove(runId)) {
            throw Refused.conflict("This run does not wait any more.");
        }
        int at = before == null ? waiting.size() : waiting.indexOf(before);
        if (at < 0) {
            throw Refused.conflict("The run it was to come before does not wait any more.");
        }
        waiting.add(at, runId);
        Instant first = Instant.now().minusMillis(waiting.size());
        for (int i = 0; i < waiting.size(); i++) {
            scheduler.reschedule(printRun.instance(waiting.get(i)), first.plusMillis(i));
        }
    }
}
