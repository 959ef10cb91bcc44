package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.SetTakes;
import apodex.session.Take;
import apodex.session.Together;
import apodex.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A clip that starts or ends in the middle of a swing, without a fade. */
final class ClickingEdge extends Check {
    /** A step of this much of full scale is heard as a click in a quiet place. */
    private static final double JUMP = 0.01;

    private static final double FADE_SECONDS = 0.005;

    ClickingEdge() {
        super("clickingEdge");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            List<Clip> clips = at.clips(row).stream()
                    .sorted(Comparator.comparingLong(Clip::position))
                    .toList();
            List<Long> edges = new ArrayList<>();
            List<Clip> starts = new ArrayList<>();
            List<Clip> ends = new ArrayList<>();
            for (int i = 0; i < clips.size(); i++) {
                Clip clip = clips.get(i);
                Optional<Clip> before = i == 0
                        ? Optional.empty()
                        : Optional.of(clips.get(i - 1))
                                .filter(each -> each.range().end() >= clip.position());
                Optional<Clip> after = i + 1 == clips.size()
                        ? Optional.empty()
                        : Optional.of(clips.get(i + 1))
                                .filter(each -> each.position() <= clip.range().end());
                if (clip.fadeIn().frames() == 0 && before.isEmpty() && jumps(at, clip, 0)
                        || before.filter(each -> seam(at, each, clip)).isPresent()) {
                    starts.add(clip);
                    edges.add(clip.position());
                }
                if (clip.fadeOut().frames() == 0
                        && after.isEmpty()
                        && i + 1 < clips.size()
                        && jumps(at, clip, clip.frames() - 1)) {
                    ends.add(clip);
                    edges.add(clip.range().end());
                }
            }
            if (!edges.isEmpty()) {
                report(at, row, edges, starts, ends, found);
            }
        }
    }

    private void report(
            Look at, AudioRow row, List<Long> edges, List<Clip> starts, List<Clip> ends, Consumer<Finding> found) {
        List<FrameRange> marks = edges.stream()
                .map(edge -> FrameRange.ofLength(Math.max(0, edge - 24), 48))
                .toList();
        found.accept(Finding.of(
                        this,
                        Severity.LOOK,
                        "An edge that clicks",
                        at.called(row) + " jumps at " + RowNames.count(edges.size(), "clip edge")
                                + " without a fade, the first at " + at.place(edges.get(0)) + ".",
                        List.of(row.id()))
                .with("First", at.place(edges.get(0)))
                .showing(Evidence.wave(row.id(), at.around(marks.get(0)), marks))
                .offering(Remedy.changing(
                        edges.size() == 1 ? "Fade it over 5 ms" : "Fade each over 5 ms",
                        faded(at, row, starts, ends))));
    }

    private static boolean jumps(Look at, Clip clip, long frame) {
        return level(at, clip, frame) > JUMP;
    }

    private static double level(Look at, Clip clip, long frame) {
        double[][] sample = at.samples(clip, frame, 1).orElse(new double[0][]);
        double level = 0;
        for (double[] channel : sample) {
            level = Math.max(level, Math.abs(channel[0]));
        }
        return level;
    }

    /** Whether two clips that touch step from one to the other; those that go on in the same recording do not. */
    private static boolean seam(Look at, Clip first, Clip second) {
        boolean goesOn = first.recording().equals(second.recording())
                && first.firstChannel() == second.firstChannel()
                && first.offset() + first.frames() == second.offset()
                && first.gainDb() == second.gainDb();
        boolean faded = first.fadeOut().frames() > 0 || second.fadeIn().frames() > 0;
        if (goesOn || faded || first.range().end() != second.position()) {
            return false;
        }
        double[][] last = at.samples(first, first.frames() - 1, 1).orElse(new double[0][]);
        double[][] next = at.samples(second, 0, 1).orElse(new double[0][]);
        double step = 0;
        for (int c = 0; c < Math.min(last.length, next.length); c++) {
            step = Math.max(step, Math.abs(last[c][0] - next[c][0]));
        }
        return step > JUMP;
    }

    private static Together faded(Look at, AudioRow row, List<Clip> starts, List<Clip> ends) {
        long fade = Math.round(FADE_SECONDS * at.session().rate().hertz());
        List<Take> takes = row.takes().stream()
                .map(take -> !take.id().equals(row.active())
                        ? take
                        : new Take(
                                take.id(),
                                take.name(),
                                take.clips().stream()
                                        .map(clip -> {
                                            long most = clip.frames() / 2;
                                            boolean meets = starts.stream()
                                                    .anyMatch(each -> each.position()
                                                            == clip.range().end());
                                            Fade in = starts.contains(clip)
                                                    ? Fade.straight(Math.min(fade, most))
                                                    : clip.fadeIn();
                                            Fade out = ends.contains(clip)
                                                            || meets
                                                                    && clip.fadeOut()
                                                                                    .frames()
                                                                            == 0
                                                    ? Fade.straight(Math.min(fade, most))
                                                    : clip.fadeOut();
                                            return clip.withFades(in, out);
                                        })
                                        .toList()))
                .toList();
        return new Together("Fade edges of “" + row.name() + "”", List.of(new SetTakes(row.id(), takes, row.active())));
    }
}
