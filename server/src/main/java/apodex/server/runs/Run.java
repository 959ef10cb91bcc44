package apodex.server.runs;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.proof.Proof;
import apodex.session.Session;
import jakarta.annotation.Nullable;
import java.time.Instant;

/**
 * A run with the session, handoff and plan it was asked for with.
 *
 * @param version    what people call it
 * @param everything whether nothing is taken over from earlier runs
 * @param changes    what changed since the run before
 */
record Run(
        String id,
        String handoffId,
        int number,
        RunState state,
        int sessionRevision,
        Session session,
        Handoff handoff,
        Plan plan,
        RunProgress progress,
        @Nullable Proof proof,
        @Nullable String failure,
        boolean cancelRequested,
        String version,
        boolean everything,
        @Nullable SinceLastRun changes,
        Instant createdAt) {
    /** Whether there is something to fetch: it is done, or was and is being read again. */
    boolean hasParcel() {
        return state == RunState.DONE || state == RunState.PROOFING && proof != null;
    }
}
