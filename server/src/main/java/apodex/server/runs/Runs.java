package apodex.server.runs;

import apodex.handoff.Effort;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.server.DiskRoom;
import apodex.server.accounts.Who;
import apodex.server.handoffs.HandoffState;
import apodex.server.handoffs.Handoffs;
import apodex.server.levels.KnownLevels;
import apodex.server.pace.Pace;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.space.Space;
import apodex.server.storage.Storage;
import apodex.server.web.Refused;
import apodex.session.NameRule;
import jakarta.annotation.Nullable;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks for runs and ends them. */
@Service
class Runs {
    private final RunMapper mapper;
    private final Handoffs handoffs;
    private final Sessions sessions;
    private final Queue queue;
    private final WhatChanged whatChanged;
    private final DiskRoom diskRoom;
    private final KnownLevels levels;
    private final Space space;
    private final Storage storage;
    private final Pace pace;
    private final Who who;

    Runs(
            RunMapper mapper,
            Handoffs handoffs,
            Sessions sessions,
            Queue queue,
            WhatChanged whatChanged,
            DiskRoom diskRoom,
            KnownLevels levels,
            Space space,
            Storage storage,
            Pace pace,
            Who who) {
        this.storage = storage;
        this.pace = pace;
        this.who = who;
        this.space = space;
        this.diskRoom = diskRoom;
        this.mapper = mapper;
        this.handoffs = handoffs;
        this.sessions = sessions;
        this.queue = queue;
        this.whatChanged = whatChanged;
        this.levels = levels;
    }

    /**
     * Keeps what is to be printed as it stands now, and queues it.
     *
     * @param version    what it is called; null for the handoff's own, or v and the number
     * @param everything whether to print what has not changed as well
     * @param press      what the window calls this press of the button; null when it does not say
     * @return the run's id; of a press that arrives twice, the same
     */
    @Transactional
    String start(String handoffId, @Nullable String version, boolean everything, @Nullable String press) {
        handoffs.stored(handoffId);
        mapper.lockHandoff(handoffId);
        String before = press == null ? null : mapper.ofPress(handoffId, press);
        if (before != null) {
            return before;
        }
        HandoffState state = handoffs.get(handoffId);
        if (state.plan().isEmpty()) {
            throw Refused.unusable("The plan has no files; choose at least one row.");
        }
        SessionState session = sessions.get(state.sessionId());
        Plan exact = levels.foreseen(session.session(), state.handoff(), state.plan())
                .orElse(state.plan());
        if (!storage.isShared()) { // else it is printed on another disk, and looked at there
            diskRoom.wrongFor(exact).ifPresent(wrong -> {
                throw Refused.unusable(wrong);
            });
        }
        space.wrongForSession(state.sessionId(), exact.bytesOnDisk()).ifPresent(wrong -> {
            throw Refused.unusable(wrong);
        });
        int number = mapper.nextNumber(handoffId);
        String called = version == null || version.isBlank() ? "v" + number : NameRule.check("version", version);
        Handoff handoff = Planner.without(session.session(), state.handoff());
        handoff = handoff.with(
                handoff.settings().withNaming(handoff.settled().naming().withVersion(called)));
        String id = UUID.randomUUID().toString();
        mapper.insert(
                new Run(
                        id,
                        handoffId,
                        number,
                        RunState.WAITING,
                        session.revision(),
                        session.session(),
                        handoff,
                        handoffs.plan(session, handoff),
                        RunProgress.NOT_STARTED,
                        null,
                        null,
                        false,
                        called,
                        everything,
                        whatChanged.since(handoffId),
                        null),
                press);
        add(id);
        return id;
    }

    private void add(String id) {
        Run run = find(id);
        queue.add(
                id,
                who.ownerId(),
                pace.of(Effort.of(run.session(), run.handoff(), run.plan())).seconds());
    }

    /** Asks once more for what a run that failed or was cancelled was to print; asked twice, once. */
    @Transactional
    String retry(String runId) {
        Run run = find(runId);
        if (run.state() != RunState.FAILED && run.state() != RunState.CANCELLED) {
            throw Refused.conflict("Only a run that failed or was cancelled can be tried again.");
        }
        mapper.lockHandoff(run.handoffId());
        String press = "again " + runId;
        String before = mapper.ofPress(run.handoffId(), press);
        if (before != null) {
            return before;
        }
        String id = UUID.randomUUID().toString();
        mapper.insert(
                new Run(
                        id,
                        run.handoffId(),
                        mapper.nextNumber(run.handoffId()),
                        RunState.WAITING,
                        run.sessionRevision(),
                        run.session(),
                        run.handoff(),
                        run.plan(),
                        RunProgress.NOT_STARTED,
                        null,
                        null,
                        false,
                        run.version(),
                        run.everything(),
                        run.changes(),
                        null),
                press);
        add(id);
        return id;
    }

    /** Reads the files of a run that is done once more. */
    @Transactional
    void readAgain(String id) {
        find(id);
        if (mapper.readAgain(id) == 0) {
            throw Refused.conflict("Only a run that is done can be read again.");
        }
        queue.readAgain(id);
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
