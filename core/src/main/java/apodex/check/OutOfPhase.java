package apodex.check;

import apodex.measure.SoundScan;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.SetInserts;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** A stereo row whose sides work against each other, so that it loses body in mono. */
final class OutOfPhase extends Check {
    private static final double AGAINST = -0.3;
    private static final String NOTE = "sides out of phase";

    OutOfPhase() {
        super("outOfPhase");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            double lowest = at.clips(row).stream()
                    .filter(clip -> clip.channels() == 2)
                    .mapToDouble(clip -> correlation(at, clip))
                    .min()
                    .orElse(1);
            boolean turned = row.strip().inserts().stream()
                    .anyMatch(insert -> insert.on() && insert.effect().equals("polarity"));
            if (lowest >= AGAINST || turned || Notes.says(row, NOTE)) {
                continue;
            }
            List<Insert> inserts = new ArrayList<>(row.strip().inserts());
            inserts.add(0, Insert.of("polarity", Map.of("sides", 2.0)).keep());
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Sides out of phase",
                            at.called(row) + " gets thinner in mono: its sides go against each other.",
                            List.of(row.id()))
                    .with(
                            "Correlation",
                            String.format(Locale.ROOT, "%.2f", lowest).replace("-", "−"))
                    .showing(Evidence.sides(row.id(), at.whole(row)))
                    .offering(Remedy.changing(
                            "Turn the right side over, kept in Shaped", new SetInserts(row.id(), inserts)))
                    .offering(Notes.add("Say so on the sheet", row, NOTE)));
        }
    }

    private static double correlation(Look at, Clip clip) {
        Optional<SoundScan> scan = at.scan(clip);
        return scan.isEmpty()
                ? 1
                : scan.get().measure(clip.firstChannel(), 2, at.heard(clip)).correlation();
    }
}
