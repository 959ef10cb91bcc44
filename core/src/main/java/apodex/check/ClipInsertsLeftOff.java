package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Stations;
import apodex.session.AudioRow;
import apodex.session.Station;
import java.util.List;
import java.util.function.Consumer;

/** Effects on single clips that the planned Raw does not carry. */
final class ClipInsertsLeftOff extends Check {
    private static final String NOTE = "clip effects left off";

    ClipInsertsLeftOff() {
        super("clipInsertsLeftOff");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            long clips = row.clips().stream()
                    .filter(clip -> !Stations.active(clip.inserts()).isEmpty())
                    .count();
            boolean carried =
                    at.prints(row).stream().anyMatch(print -> print.station().compareTo(Station.SHAPED) >= 0);
            if (clips > 0 && at.goesOut(row) && !carried && !Notes.says(row, NOTE)) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Clip effects left off",
                                at.called(row) + " has effects on " + RowNames.count((int) clips, "clip")
                                        + "; Raw leaves them off, and nothing else of the row is planned.",
                                List.of(row.id()))
                        .offering(Remedy.printing(
                                "Print Shaped as well", Adjustment.adding(Choices.at(Station.SHAPED, List.of(row)))))
                        .offering(Notes.add("Say so on the sheet", row, NOTE)));
            }
        }
    }
}
