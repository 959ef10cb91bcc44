package apodex.server.handoffs;

import apodex.check.Doubling;
import apodex.check.Look;
import apodex.handoff.Adjustment;
import apodex.handoff.ByHand;
import apodex.handoff.Effort;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.intake.RecordingStore;
import apodex.server.DiskRoom;
import apodex.server.pace.Pace;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.web.Refused;
import apodex.session.Session;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import java.util.function.BiFunction;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps handoffs and plans them against their sessions as these stand now. */
@Service
public class Handoffs {
    private final HandoffMapper mapper;
    private final Sessions sessions;
    private final RecordingStore store;
    private final DiskRoom diskRoom;
    private final Pace pace;

    Handoffs(HandoffMapper mapper, Sessions sessions, RecordingStore store, DiskRoom diskRoom, Pace pace) {
        this.diskRoom = diskRoom;
        this.pace = pace;
        this.mapper = mapper;
        this.sessions = sessions;
        this.store = store;
    }

    HandoffState create(String sessionId, Handoff handoff) {
        SessionState session = sessions.get(sessionId);
        Plan plan = plan(session, handoff);
        StoredHandoff stored =
                new StoredHandoff(UUID.randomUUID().toString(), sessionId, 1, ByHand.only(handoff, plan));
        HandoffState state = state(stored, session, plan);
        mapper.insert(stored);
        return state;
    }

    /** The first handoff of a session; made when there is none. Whoever asks at the same moment gets the same. */
    @Transactional
    public HandoffState first(String sessionId, Handoff handoff) {
        sessions.get(sessionId);
        mapper.lockSession(sessionId);
        return mapper.ofSession(sessionId).stream()
                .findFirst()
                .map(stored -> get(stored.id()))
                .orElseGet(() -> create(sessionId, handoff));
    }

    List<StoredHandoff> ofSession(String sessionId) {
        sessions.get(sessionId);
        return mapper.ofSession(sessionId);
    }

    /** @throws Refused (404) when there is none */
    public HandoffState get(String id) {
        StoredHandoff stored = find(id);
        SessionState session = sessions.get(stored.sessionId());
        return state(stored, session, planOrDefault(session, stored.handoff()));
    }

    /** @throws Refused (404) when there is none */
    public StoredHandoff stored(String id) {
        return find(id);
    }

    /** The same, of a session. @throws Refused (404) when it is of another */
    public StoredHandoff storedOf(String sessionId, String id) {
        StoredHandoff stored = find(id);
        if (!stored.sessionId().equals(sessionId)) {
            throw Refused.notFound("This session has no handoff “" + id + "”.");
        }
        return stored;
    }

    /** Adjusts a handoff; what is printed besides stays as planned. */
    HandoffState adjust(String id, int revision, Adjustment adjustment) {
        return replace(id, revision, adjustment.applyTo(find(id).handoff()));
    }

    /** Keeps an insert of a row in the sound, or leaves it to the mix. */
    HandoffState keep(String id, int revision, String row, int insert, boolean keep) {
        return changed(id, revision, (handoff, session) -> handoff.keeping(session, row, insert, keep));
    }

    /** Prints a take of a row at Raw, or does not. */
    HandoffState include(String id, int revision, String row, String take, boolean include) {
        return changed(id, revision, (handoff, session) -> handoff.including(session, row, take, include));
    }

    private HandoffState changed(String id, int revision, BiFunction<Handoff, Session, Handoff> change) {
        StoredHandoff stored = find(id);
        Session session = sessions.get(stored.sessionId()).session();
        try {
            return replace(id, revision, change.apply(stored.handoff(), session));
        } catch (IllegalArgumentException e) {
            throw Refused.unusable(e.getMessage());
        }
    }

    /** Turns all files of a handoff up or down, the balance kept. */
    HandoffState turn(String id, int revision, double db) {
        return changed(id, revision, (handoff, session) -> handoff.turned(session, db));
    }

    /**
     * Replaces a handoff.
     *
     * @param revision the one the change was made against; null to overwrite whatever is there
     */
    HandoffState replace(String id, @Nullable Integer revision, Handoff handoff) {
        StoredHandoff stored = find(id);
        if (revision != null && revision != stored.revision()) {
            throw stale(id);
        }
        SessionState session = sessions.get(stored.sessionId());
        Handoff possible = Planner.withoutLost(session.session(), handoff, stored.handoff());
        Plan plan = plan(session, possible);
        if (mapper.update(id, stored.revision(), possible) == 0) {
            throw stale(id);
        }
        return state(find(id), session, plan);
    }

    private HandoffState state(StoredHandoff stored, SessionState session, Plan plan) {
        Look look = new Look(session.session(), stored.handoff(), plan, store);
        return HandoffState.of(
                stored,
                session.id(),
                session.revision(),
                plan,
                Doubling.in(look),
                estimate(session.session(), stored.handoff(), plan));
    }

    private HandoffState.Estimate estimate(Session session, Handoff handoff, Plan plan) {
        Pace.Expected takes = pace.of(Effort.of(session, handoff, plan));
        return new HandoffState.Estimate(
                takes.seconds(), takes.least(), takes.most(), plan.bytesOnDisk(), diskRoom.free());
    }

    private Refused stale(String id) {
        return Refused.conflict("This plan was changed in another window meanwhile.")
                .with("current", get(id));
    }

    private StoredHandoff find(String id) {
        StoredHandoff stored = mapper.find(id);
        if (stored == null) {
            throw Refused.notFound("There is no handoff “" + id + "”.");
        }
        return stored;
    }

    /** What the session no longer offers (after an undo, say) is left out rather than in the way. */
    private Plan planOrDefault(SessionState session, Handoff handoff) {
        return plan(session, Planner.without(session.session(), handoff));
    }

    /** @throws Refused (422) when it cannot be planned */
    public Plan plan(SessionState session, Handoff handoff) {
        try {
            return Planner.plan(session.session(), handoff, store);
        } catch (IllegalArgumentException e) {
            throw Refused.unusable(e.getMessage());
        }
    }
}
