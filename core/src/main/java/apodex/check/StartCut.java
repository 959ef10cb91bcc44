package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.SetTakes;
import apodex.session.ShiftSession;
import apodex.session.Take;
import apodex.session.Together;
import apodex.time.FrameRange;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** Sound that lies before the session's first frame and is cut by it. */
final class StartCut extends Check {
    private static final double HEARD = 0.003;

    StartCut() {
        super("startCut");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            for (Clip clip : at.clips(row)) {
                if (clip.position() == 0 && clip.offset() > 0 && soundsBefore(at, clip)) {
                    double seconds = at.session().rate().seconds(clip.offset());
                    int bars = bars(at.session(), clip.offset());
                    found.accept(Finding.of(
                                    this,
                                    Severity.LOOK,
                                    "Starts before the session",
                                    at.called(row) + " has " + String.format(Locale.ROOT, "%.2f", seconds)
                                            + " s of sound before the session's start, which is cut off.",
                                    List.of(row.id()))
                            .showing(Evidence.wave(
                                    row.id(),
                                    new FrameRange(0, at.session().rate().hertz()),
                                    List.of(FrameRange.ofLength(0, 240))))
                            .offering(Remedy.changing(
                                    "Start everything " + (bars == 1 ? "a bar" : bars + " bars")
                                            + " later and uncover it",
                                    uncovered(at.session(), row, clip, bars))));
                }
            }
        }
    }

    private static boolean soundsBefore(Look at, Clip clip) {
        int frames = (int) Math.min(clip.offset(), at.session().rate().hertz() / 20);
        Clip before = new Clip(
                clip.recording(),
                clip.firstChannel(),
                clip.channels(),
                0,
                clip.offset() - frames,
                frames,
                clip.gainDb(),
                0,
                0);
        for (double[] channel : at.samples(before, 0, Math.max(1, frames / 4)).orElse(new double[0][])) {
            for (double sample : channel) {
                if (Math.abs(sample) > HEARD) {
                    return true;
                }
            }
        }
        return false;
    }

    private static int bars(Session session, long frames) {
        int bars = 1;
        while (session.song().timeline().frameOfBar(bars + 1, session.rate()) < frames && bars < 16) {
            bars++;
        }
        return bars;
    }

    private static Together uncovered(Session session, AudioRow row, Clip cut, int bars) {
        long later = session.song().timeline().frameOfBar(bars + 1, session.rate());
        long more = Math.min(cut.offset(), later);
        ShiftSession shift = new ShiftSession(bars);
        List<Take> takes = row.takes().stream()
                .map(take -> new Take(
                        take.id(),
                        take.name(),
                        take.clips().stream()
                                .map(clip -> {
                                    Clip moved = clip.at(clip.position() + later);
                                    return clip == cut
                                            ? new Clip(
                                                    clip.recording(),
                                                    clip.firstChannel(),
                                                    clip.channels(),
                                                    later - more,
                                                    clip.offset() - more,
                                                    clip.frames() + more,
                                                    clip.gainDb(),
                                                    clip.fadeIn(),
                                                    clip.fadeOut(),
                                                    clip.inserts(),
                                                    clip.muted(),
                                                    clip.inverted())
                                            : moved;
                                })
                                .toList()))
                .toList();
        List<SessionEdit> edits = List.of(shift, new SetTakes(row.id(), takes, row.active()));
        return new Together("Uncover the start of “" + row.name() + "”", edits);
    }
}
