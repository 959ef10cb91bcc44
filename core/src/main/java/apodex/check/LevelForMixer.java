package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Levels;
import apodex.handoff.Print;
import apodex.measure.Decibels;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Row;
import apodex.session.Station;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A dry file much hotter or lower than a mixer wants to start from. */
final class LevelForMixer extends Check {
    private static final double HOT_DBFS = -6;
    private static final double LOW_DBFS = -24;
    private static final double AIM_DBFS = -12;

    LevelForMixer() {
        super("levelForMixer");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            Optional<Print> raw = at.prints(row).stream()
                    .filter(print -> print.station() == Station.RAW)
                    .findFirst();
            double peak = at.image(row)
                    .map(image -> Decibels.ofAmplitude(image.peak()))
                    .orElse(Double.NEGATIVE_INFINITY);
            if (raw.isEmpty()
                    || at.handoff().settled().levels() == Levels.WINDOW
                    || peak < Decibels.NEARLY_SILENT_DBFS) {
                continue;
            }
            double printed = peak + raw.get().trimDb();
            boolean hot = printed > HOT_DBFS;
            if (hot || printed < LOW_DBFS) {
                double own = at.trimDb(row);
                double change = Math.rint((AIM_DBFS - printed) * 2) / 2;
                Finding finding = Finding.of(
                                this,
                                Severity.KNOW,
                                hot ? "Very hot for a mixer" : "Very low for a mixer",
                                at.called(row) + " peaks at " + Look.db(printed)
                                        + " dBFS; mixers like to start between −24 and −6.",
                                List.of(row.id()))
                        .with("Peak of Raw", Look.db(printed) + " dBFS")
                        .showing(Evidence.wave(row.id(), at.whole(row), List.of()))
                        .offering(Remedy.printing(
                                "Trim it by " + Look.db(change) + " dB", Adjustment.trimming(row.id(), own + change)));
                Optional<Row> bus = row.strip().outputs().stream()
                        .flatMap(id -> at.session().row(id).stream())
                        .filter(BusRow.class::isInstance)
                        .findFirst();
                if (bus.isPresent()) {
                    double group = at.trimDb(bus.get());
                    finding = finding.offering(Remedy.printing(
                            "Trim all of " + bus.get().name() + " by " + Look.db(change)
                                    + " dB, so that its balance stays",
                            Adjustment.trimming(bus.get().id(), group + change)));
                }
                found.accept(finding);
            }
        }
    }
}
