package apodex.server.runs;

import java.util.concurrent.CancellationException;

/** Somebody else has taken the run up since: this attempt writes nothing any more. */
final class LostClaim extends CancellationException {
    private static final long serialVersionUID = 1;

    LostClaim(String runId) {
        super("Run " + runId + " was taken up by another.");
    }
}
