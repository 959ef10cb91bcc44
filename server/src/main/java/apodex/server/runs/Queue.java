package apodex.server.runs;

import apodex.server.web.Refused;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;

/**
 * The runs that print or wait, of all handoffs. Each node prints one at a time, since each takes the whole machine. The order is that of
 * the times in the scheduler's table, which are turns, so every node sees the same.
 */
@Service
class Queue {
    /** Microseconds between runs that are laid out anew: room for halving many times. */
    private static final long GAP = 1_000_000;

    private final RunMapper mapper;
    private final Turns turns;
    private final SchedulerClient scheduler;
    private final OneTimeTask<Void> printRun;
    private final OneTimeTask<Void> proveRun;

    Queue(
            RunMapper mapper,
            SchedulerClient scheduler,
            OneTimeTask<Void> printRun,
            OneTimeTask<Void> proveRun,
            Turns turns) {
        this.turns = turns;
        this.proveRun = proveRun;
        this.mapper = mapper;
        this.scheduler = scheduler;
        this.printRun = printRun;
    }

    /** @param seconds it is expected to take */
    void add(String runId, String person, double seconds) {
        scheduler.scheduleIfNotExists(printRun.instance(runId), turns.seat(runId, person, seconds));
    }

    /** Before all that wait: it is short, and somebody sees it. */
    void readAgain(String runId) {
        scheduler.scheduleIfNotExists(proveRun.instance(runId), Turns.instant(0));
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
        List<RunMapper.Queued> waiting = new ArrayList<>(
                all().stream().filter(run -> run.state() == RunState.WAITING).toList());
        if (!waiting.removeIf(run -> run.id().equals(runId))) {
            throw Refused.conflict("This run does not wait any more.");
        }
        int at = before == null
                ? waiting.size()
                : (int) waiting.stream()
                        .takeWhile(run -> !run.id().equals(before))
                        .count();
        if (before != null && at == waiting.size()) {
            throw Refused.conflict("The run it was to come before does not wait any more.");
        }
        long earliest = at == 0 ? turns.clock() : turn(waiting.get(at - 1));
        long latest = at == waiting.size() ? earliest + 2 * GAP : turn(waiting.get(at));
        if (latest - earliest >= 2) {
            give(runId, earliest + (latest - earliest) / 2);
            return;
        }
        List<String> all =
                new ArrayList<>(waiting.stream().map(RunMapper.Queued::id).toList());
        all.add(at, runId);
        for (int i = 0; i < all.size(); i++) {
            give(all.get(i), turns.clock() + (i + 1) * GAP);
        }
    }

    private static long turn(RunMapper.Queued run) {
        return run.turn() == null ? 0 : run.turn();
    }

    private void give(String runId, long turn) {
        mapper.setTurn(runId, turn);
        scheduler.reschedule(printRun.instance(runId), Turns.instant(turn));
    }
}
