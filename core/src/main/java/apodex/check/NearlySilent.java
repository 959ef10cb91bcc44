package apodex.check;

import apodex.handoff.Adjustment;
import apodex.measure.Decibels;
import apodex.session.AudioRow;
import apodex.session.SetFader;
import apodex.session.Strip;
import java.util.List;
import java.util.function.Consumer;

/** A row that never gets louder than -60 dBFS, and is planned and heard all the same. */
final class NearlySilent extends Check {
    NearlySilent() {
        super("nearlySilent");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            double peak = at.image(row)
                    .map(image -> Decibels.ofAmplitude(image.peak()))
                    .orElse(0.0);
            if (!at.goesOut(row)
                    || row.strip().muted()
                    || peak >= Decibels.NEARLY_SILENT_DBFS
                    || peak == Double.NEGATIVE_INFINITY) {
                continue;
            }
            Strip strip = row.strip();
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Nearly silent",
                            at.called(row) + " is never louder than " + Look.db(peak)
                                    + " dBFS: a microphone left open, perhaps.",
                            List.of(row.id()))
                    .with("Loudest", Look.db(peak) + " dBFS")
                    .showing(Evidence.wave(row.id(), at.whole(row), List.of()))
                    .offering(Remedy.printing("Leave it out of the plan", Adjustment.leavingOut(Choices.of(at, row))))
                    .offering(Remedy.changing(
                            "Mute it", new SetFader(row.id(), strip.faderDb(), strip.pan(), true, strip.soloed()))));
        }
    }
}
