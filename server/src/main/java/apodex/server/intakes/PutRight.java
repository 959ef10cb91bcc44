package apodex.server.intakes;

import apodex.intake.Correction;
import apodex.intake.Intake;
import java.util.ArrayList;
import java.util.List;

/**
 * What was chosen in an intake, in order.
 *
 * @param corrections also those that were undone last
 * @param standing how many of them, from the first on, are not undone
 */
public record PutRight(List<Correction> corrections, int standing) {
    static final PutRight NOTHING = new PutRight(List.of(), 0);

    /** One more; what was undone before is gone with it. */
    PutRight and(Correction correction) {
        List<Correction> more = new ArrayList<>(corrections.subList(0, standing));
        more.add(correction);
        return new PutRight(more, more.size());
    }

    boolean canUndo() {
        return standing > 0;
    }

    boolean canRedo() {
        return standing < corrections.size();
    }

    PutRight undone() {
        return new PutRight(corrections, standing - 1);
    }

    PutRight redone() {
        return new PutRight(corrections, standing + 1);
    }

    Intake of(Intake found) {
        Intake after = found;
        for (Correction correction : corrections.subList(0, standing)) {
            after = correction.applyTo(after);
        }
        return after;
    }
}
