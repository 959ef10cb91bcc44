package apodex.server.runs;

import apodex.server.handoffs.HandoffState;
import apodex.server.handoffs.Handoffs;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.web.Refused;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks for runs and ends them. */
@Service
class Runs {
    private final RunMapper mapper;
    private final Handoffs handoffs;
    private final Sessions sessions;
    private final SchedulerClient scheduler;
    private final OneTimeTask<Void> printRun;

    Runs(RunMapper mapper, Handoffs handoffs, Sessions sessions, SchedulerClient scheduler, OneTimeTask<Void> printRun) {
        this.mapper = mapper;
        this.handoffs = handoffs;
        this.sessions = sessions;
        this.scheduler = scheduler;
        this.printRun = printRun;
    }

    /** Keeps what is to be printed as it stands now, and queues it. */
    @Transactional
    String start(String handoffId) {
        HandoffState handoff = handoffs.get(handoffId);
        if (handoff.plan().prints().isEmpty()) {
            throw Refused.unusable("The plan has no files; choose at least one row.");
        }
        SessionState session = sessions.get(handoff.sessionId());
        String id = UUID.randomUUID().toString();
        mapper.insert(new Run(id, handoffId, 0, RunState.WAITING, session.revision(), session.session(),
                handoff.handoff(), handoff.plan(), RunProgress.NOT_STARTED, null, null, false, null));
        RunQueue.add(scheduler, printRun, id);
        return id;
    }

    /** Asks a run to end; what it printed so far is removed. Nothing happens to a run that is over. */
    void cancel(String id) {
        find(id);
        mapper.requestCancel(id);
        mapper.cancelWaiting(id);
    }

    Run find(String id) {
        Run run = mapper.find(id);
        if (run == null) {
            throw Refused.notFound("There is no run “" + id + "”.");
        }
        return run;
    }
}
