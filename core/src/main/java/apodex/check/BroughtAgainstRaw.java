package apodex.check;

import apodex.align.Sighting;
import apodex.align.Sighting.Certainty;
import apodex.measure.Decibels;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.SessionEdit;
import apodex.session.SetBrought;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** Sound rendered elsewhere that is not its row's Raw with something done to it: elsewhere, turned over, or cut off. */
final class BroughtAgainstRaw extends Check {
    /** As far as a microphone stands from an amplifier: less is a sound, not a fault. */
    private static final double MOST_APART_SECONDS = 0.003;

    private static final double MOST_SHORT_SECONDS = 0.05;

    BroughtAgainstRaw() {
        super("broughtAgainstRaw");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            for (Brought brought : row.strip().brought()) {
                if (row.clips().size() == 1 && brought.clips().size() == 1) {
                    Clip raw = row.clips().get(0);
                    Clip wet = brought.clips().get(0);
                    place(at, row, raw, brought, wet, found);
                    end(at, row, raw, brought, wet, found);
                }
            }
        }
    }

    private void place(Look at, AudioRow row, Clip raw, Brought brought, Clip wet, Consumer<Finding> found) {
        Sighting sighting = at.sighting(raw, wet);
        if (sighting.certainty() != Certainty.SURE) {
            return;
        }
        long late = at.inSession(wet, sighting.frame()) - at.inSession(raw, 0);
        double seconds = at.session().rate().seconds(Math.abs(late));
        String what = "What was rendered elsewhere for " + at.called(row) + " at "
                + brought.station().label();
        if (seconds > MOST_APART_SECONDS) {
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Rendered elsewhere, and elsewhere in time",
                            what + " lies " + Look.milliseconds(seconds) + (late > 0 ? " later" : " earlier")
                                    + " than Raw.",
                            List.of(row.id()))
                    .about("place " + brought.station().label())
                    .with("Frames", String.format(Locale.ROOT, "%+d", late).replace("-", "−"))
                    .offering(Remedy.changing(
                            "Bring them together", replacing(row, brought, wet.at(wet.position() - late)))));
        }
        if (sighting.inverted() != !raw.inverted().equals(wet.inverted())) {
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Rendered elsewhere with its polarity turned",
                            what + " is Raw turned over: laid together they take from each other.",
                            List.of(row.id()))
                    .about("polarity " + brought.station().label())
                    .offering(Remedy.changing("Turn it back", replacing(row, brought, wet.turnedOver()))));
        }
    }

    private void end(Look at, AudioRow row, Clip raw, Brought brought, Clip wet, Consumer<Finding> found) {
        long missing = raw.range().end() - wet.range().end();
        if (at.session().rate().seconds(missing) < MOST_SHORT_SECONDS) {
            return;
        }
        long from = Math.max(raw.position(), wet.range().end());
        Clip rest = new Clip(
                raw.recording(),
                raw.firstChannel(),
                raw.channels(),
                from,
                raw.offset() + from - raw.position(),
                raw.range().end() - from,
                raw.gainDb(),
                0,
                0);
        if (at.peak(rest) > Decibels.toFactor(Decibels.NEARLY_SILENT_DBFS)) {
            Recording recording = at.session().recording(wet.recording());
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Rendered elsewhere, and cut off",
                            "“" + recording.fileName() + "” of " + at.called(row) + " ends at "
                                    + at.place(wet.range().end()) + ", and Raw goes on sounding for "
                                    + String.format(
                                            Locale.ROOT,
                                            "%.1f",
                                            at.session().rate().seconds(missing)) + " seconds.",
                            List.of(row.id()))
                    .about("end " + brought.station().label())
                    .with("Ends at", at.place(wet.range().end())));
        }
    }

    private static SessionEdit replacing(AudioRow row, Brought brought, Clip other) {
        return new SetBrought(
                row.id(),
                row.strip().brought().stream()
                        .map(each -> each.equals(brought) ? new Brought(each.station(), List.of(other)) : each)
                        .toList());
    }
}
