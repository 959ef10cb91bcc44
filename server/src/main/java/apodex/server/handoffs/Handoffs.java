package apodex.server.handoffs;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.intake.RecordingStore;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Keeps handoffs and plans them against their sessions as these stand now. */
@Service
public class Handoffs {
    private final HandoffMapper mapper;
    private final Sessions sessions;
    private final RecordingStore store;

    Handoffs(HandoffMapper mapper, Sessions sessions, RecordingStore store) {
        this.mapper = mapper;
        this.sessions = sessions;
        this.store = store;
    }

    HandoffState create(String sessionId, Handoff handoff) {
        SessionState session = sessions.get(sessionId);
        StoredHandoff stored = new StoredHandoff(UUID.randomUUID().toString(), sessionId, 1, handoff);
        Plan plan = plan(session, stored.handoff());
        mapper.insert(stored);
        return HandoffState.of(stored, session, plan);
    }

    List<StoredHandoff> ofSession(String sessionId) {
        sessions.get(sessionId);
        return mapper.ofSession(sessionId);
    }

    /** @throws Refused (404) when there is none */
    public HandoffState get(String id) {
        StoredHandoff stored = find(id);
        SessionState session = sessions.get(stored.sessionId());
        return HandoffState.of(stored, session, planOrDefault(session, stored.handoff()));
    }

    /** @throws Refused (404) when there is none */
    public StoredHandoff stored(String id) {
        return find(id);
    }

    /** Adjusts a handoff; what is printed besides stays as planned. */
    HandoffState adjust(String id, int revision, Adjustment adjustment) {
        HandoffState now = get(id);
        return replace(id, revision, adjustment.applyTo(now.handoff(), now.plan()));
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
        Plan plan = plan(session, handoff);
        if (mapper.update(id, stored.revision(), handoff) == 0) {
            throw stale(id);
        }
        return HandoffState.of(find(id), session, plan);
    }

    private Refused stale(String id) {
        return Refused.conflict("This plan was changed in another window meanwhile.").with("current", get(id));
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

    private Plan plan(SessionState session, Handoff handoff) {
        try {
            return Planner.plan(session.session(), handoff, store);
        } catch (IllegalArgumentException e) {
            throw Refused.unusable(e.getMessage());
        } catch (IOException e) {
            throw Refused.unusable(e.getMessage());
        }
    }
}
