package apodex.server.runs;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.proof.Proof;
import apodex.session.Session;
import jakarta.annotation.Nullable;
import java.time.Instant;

/** A run with the session, handoff and plan it was asked for with. */
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
        Instant createdAt) {}
