package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff.Sides;
import apodex.handoff.RowWidth;
import apodex.session.Row;
import apodex.session.Station;
import java.util.List;
import java.util.function.Consumer;

/** A mono row that its effects make wide, planned to be printed with one channel. */
final class WetWidth extends Check {
    WetWidth() {
        super("wetWidth");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        RowWidth widths = new RowWidth(at.session());
        for (Row row : at.sources()) {
            boolean widens = widths.at(row, Station.RAW) == 1 && widths.at(row, Station.INSERTS) == 2;
            boolean narrowed = at.sides(row) == Sides.MONO
                    && at.prints(row).stream()
                            .anyMatch(print -> print.station().compareTo(Station.SHAPED) >= 0
                                    && (print.station() != Station.SHAPED || widths.at(row, Station.SHAPED) == 2));
            if (widens && narrowed) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Width would be lost",
                                at.called(row)
                                        + " is mono, but its effects make it stereo; fixed to mono, its wet file loses that.",
                                List.of(row.id()))
                        .offering(Remedy.printing(
                                "Let its channels be found", Adjustment.ofSides(row.id(), Sides.AUTOMATIC))));
            }
        }
    }
}
