package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Print;
import apodex.measure.Decibels;
import apodex.measure.SoundScan;
import apodex.session.AudioRow;
import apodex.session.Clip;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A row whose peaks between the samples pass full scale, as an analogue output would. */
final class TruePeakOver extends Check {
    private static final double ROOM_DB = 1;

    TruePeakOver() {
        super("truePeakOver");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            double trim =
                    at.prints(row).stream().mapToDouble(Print::trimDb).max().orElse(0);
            double dbtp = trim
                    + Decibels.ofAmplitude(at.clips(row).stream()
                            .mapToDouble(clip -> peak(at, clip))
                            .max()
                            .orElse(0));
            if (dbtp <= 0 || !at.goesOut(row) || !at.levelsStay()) {
                continue;
            }
            double down = Math.floor((trim - dbtp - ROOM_DB) * 10) / 10;
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "True peak over full scale",
                            at.called(row) + " reaches " + Look.db(dbtp) + " dBTP between its samples.",
                            List.of(row.id()))
                    .with("True peak", Look.db(dbtp) + " dBTP")
                    .showing(Evidence.wave(row.id(), at.whole(row), List.of()))
                    .offering(Remedy.printing(
                            "Trim it to " + Look.db(down) + " dB", Adjustment.trimming(row.id(), down))));
        }
    }

    private static double peak(Look at, Clip clip) {
        Optional<SoundScan> scan = at.scan(clip);
        return scan.isEmpty()
                ? 0
                : Decibels.toFactor(clip.gainDb())
                        * scan.get()
                                .measure(clip.firstChannel(), clip.channels(), at.heard(clip))
                                .truePeak();
    }
}
