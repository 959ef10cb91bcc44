package apodex.check;

import apodex.instrument.Note;
import apodex.session.InstrumentRow;
import apodex.session.Row;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Notes that fall beside the grid so evenly that the tempo cannot be theirs. */
final class TempoAgainstNotes extends Check {
    private static final int ENOUGH_NOTES = 16;
    /** Sixteenths and triplets of a quarter; notes this near to one are on it. */
    private static final double[] GRID = {0, 1 / 4.0, 1 / 3.0, 1 / 2.0, 2 / 3.0, 3 / 4.0, 1};

    private static final double NEAR_QUARTERS = 0.03;
    /** By chance 6 places of 0.06 quarters each catch 36 %. */
    private static final double MOST_BY_CHANCE = 0.55;

    TempoAgainstNotes() {
        super("tempoAgainstNotes");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<String> rows = new ArrayList<>();
        int notes = 0;
        int near = 0;
        for (Row row : at.session().rows()) {
            if (row instanceof InstrumentRow player && !player.notes().isEmpty()) {
                rows.add(row.id());
                notes += player.notes().size();
                near += (int) player.notes().stream()
                        .filter(TempoAgainstNotes::isOnGrid)
                        .count();
            }
        }
        if (notes >= ENOUGH_NOTES && near < MOST_BY_CHANCE * notes) {
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "The tempo cannot be right",
                            "Of " + notes + " notes only " + near
                                    + " start near a sixteenth or a triplet: they were played to another tempo, or freely.",
                            rows)
                    .with("Near the grid", Math.round(100.0 * near / notes) + " %"));
        }
    }

    private static boolean isOnGrid(Note note) {
        double part = note.quarter() - Math.floor(note.quarter());
        for (double place : GRID) {
            if (Math.abs(part - place) <= NEAR_QUARTERS) {
                return true;
            }
        }
        return false;
    }
}
