package apodex.check;

import apodex.measure.SoundScan;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.SetInserts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** A recording that does not swing around zero. */
final class DcOffset extends Check {
    /** About -46 dBFS: enough to click at edits and to eat headroom. */
    private static final String NOTE = "recorded with an offset";

    DcOffset() {
        super("dcOffset");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            double offset = 0;
            for (Clip clip : at.clips(row)) {
                Optional<SoundScan> scan = at.scan(clip);
                double own = scan.isEmpty()
                        ? 0
                        : scan.get()
                                .measure(clip.firstChannel(), clip.channels(), at.heard(clip))
                                .offset();
                offset = Math.abs(own) > Math.abs(offset) ? own : offset;
            }
            boolean cut = row.strip().inserts().stream()
                    .anyMatch(insert ->
                            insert.on() && insert.kept() && insert.effect().equals("lowCut"));
            if (Math.abs(offset) <= SoundScan.OFFSET_SHOWS || cut || Notes.says(row, NOTE)) {
                continue;
            }
            List<Insert> inserts = new ArrayList<>(row.strip().inserts());
            inserts.add(0, Insert.of("lowCut", Map.of("hertz", 20.0)).keep());
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Offset",
                            at.called(row) + " stands " + Look.db(100 * offset) + " % of full scale away from zero.",
                            List.of(row.id()))
                    .with("Mean", Look.db(100 * offset) + " %")
                    .showing(Evidence.wave(row.id(), at.whole(row), List.of()))
                    .offering(Remedy.changing("Cut it below 20 Hz, kept in Shaped", new SetInserts(row.id(), inserts)))
                    .offering(Notes.add("Say so on the sheet", row, NOTE)));
        }
    }
}
