package apodex.server.handoffs;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.server.sessions.SessionState;

/**
 * A handoff and what would be printed now.
 *
 * @param revision what a change has to name to be sure it overwrites nothing
 */
public record HandoffState(
        String id, String sessionId, int sessionRevision, int revision, Handoff handoff, Plan plan) {

    static HandoffState of(StoredHandoff stored, SessionState session, Plan plan) {
        return new HandoffState(stored.id(), session.id(), session.revision(), stored.revision(), stored.handoff(), plan);
    }
}
