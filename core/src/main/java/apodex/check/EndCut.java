package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Recording;
import apodex.session.SetTakes;
import apodex.session.Take;
import apodex.session.Together;
import apodex.time.FrameRange;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/** A row whose last clip ends while it is still sounding. */
final class EndCut extends Check {
    private static final double SOUNDING = 0.003;
    private static final double LAST_SECONDS = 0.02;
    /** A shorter fade stops the click, but not the sound. */
    private static final double SAVING_SECONDS = 0.01;

    private static final double FADE_SECONDS = 0.05;

    EndCut() {
        super("endCut");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        int hertz = at.session().rate().hertz();
        for (AudioRow row : at.session().audioRows()) {
            Optional<Clip> last = at.clips(row).stream()
                    .max(Comparator.comparingLong(clip -> clip.range().end()));
            if (last.isEmpty() || last.get().fadeOut().frames() >= SAVING_SECONDS * hertz) {
                continue;
            }
            Clip clip = last.get();
            int frames = (int) Math.min(clip.frames(), Math.round(LAST_SECONDS * hertz));
            double level = rms(at.samples(clip, clip.frames() - frames, frames).orElse(new double[0][]));
            if (level > SOUNDING) {
                report(at, row, clip, level, found);
            }
        }
    }

    private void report(Look at, AudioRow row, Clip clip, double level, Consumer<Finding> found) {
        long end = clip.range().end();
        int hertz = at.session().rate().hertz();
        Recording recording = at.session().recording(clip.recording());
        long left = recording.framesAt(at.session().rate()) - clip.offset() - clip.frames();
        Finding finding = Finding.of(
                        this,
                        Severity.LOOK,
                        "Cut before it has died away",
                        at.called(row) + " still sounds with " + Look.db(20 * Math.log10(level))
                                + " dBFS where its last clip ends, at " + at.place(end) + ".",
                        List.of(row.id()))
                .with("Level at the end", Look.db(20 * Math.log10(level)) + " dBFS")
                .showing(Evidence.wave(
                        row.id(),
                        new FrameRange(Math.max(0, end - hertz), end + hertz / 4),
                        List.of(FrameRange.ofLength(end, hertz / 100))))
                .offering(Remedy.changing(
                        "Fade it out over 50 ms",
                        changed(
                                row,
                                clip,
                                each -> each.withFades(
                                        each.fadeIn(),
                                        Fade.straight(Math.min(
                                                each.frames() - each.fadeIn().frames(),
                                                Math.round(FADE_SECONDS * hertz)))))));
        if (left > hertz / 4) {
            finding = finding.offering(Remedy.changing(
                    "Uncover the rest of the recording", changed(row, clip, each -> each.cutTo(each.frames() + left)
                            .withFades(each.fadeIn(), Fade.straight(Math.min(left, hertz / 10))))));
        }
        found.accept(finding);
    }

    private static Together changed(AudioRow row, Clip last, UnaryOperator<Clip> change) {
        List<Take> takes = row.takes().stream()
                .map(take -> !take.id().equals(row.active())
                        ? take
                        : new Take(
                                take.id(),
                                take.name(),
                                take.clips().stream()
                                        .map(clip -> clip.equals(last) ? change.apply(clip) : clip)
                                        .toList()))
                .toList();
        return new Together("Let “" + row.name() + "” end", List.of(new SetTakes(row.id(), takes, row.active())));
    }

    private static double rms(double[][] samples) {
        double most = 0;
        for (double[] channel : samples) {
            double sum = 0;
            for (double sample : channel) {
                sum += sample * sample;
            }
            most = Math.max(most, Math.sqrt(sum / Math.max(1, channel.length)));
        }
        return most;
    }
}
