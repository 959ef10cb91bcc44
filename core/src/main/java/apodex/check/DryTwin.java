package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Stations;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.Station;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** An amplifier's sound planned without the dry twin that could be sent through another, or the other way round. */
final class DryTwin extends Check {
    DryTwin() {
        super("dryTwin");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.sources()) {
            Optional<Insert> amplifier = Stations.active(row.strip().inserts()).stream()
                    .filter(insert -> insert.effect().equals("amplifier"))
                    .findFirst();
            if (amplifier.isEmpty() || !at.goesOut(row)) {
                continue;
            }
            boolean dry = at.isPrinted(row, Station.RAW);
            Station station = amplifier.get().kept() ? Station.SHAPED : Station.INSERTS;
            boolean wet =
                    at.prints(row).stream().anyMatch(print -> print.station().compareTo(station) >= 0);
            if (!dry) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "No dry twin",
                                at.called(row)
                                        + " is planned through its amplifier alone. With the dry file beside it, another amplifier can be tried.",
                                List.of(row.id()))
                        .offering(Remedy.printing(
                                "Print Raw as well", Adjustment.adding(Choices.at(Station.RAW, List.of(row))))));
            } else if (!wet) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "No amplifier twin",
                                at.called(row) + " is planned dry alone; the amplifier it was played through is lost.",
                                List.of(row.id()))
                        .offering(Remedy.printing(
                                "Print " + station.label() + " as well",
                                Adjustment.adding(Choices.at(station, List.of(row))))));
            }
        }
    }
}
