package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.SetTakes;
import apodex.session.Take;
import apodex.session.Together;
import apodex.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** Clips that miss each other by a hair, or overlap by one: an edit that slipped. */
final class TinyGap extends Check {
    private static final double TINY_SECONDS = 0.01;

    TinyGap() {
        super("tinyGap");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        long tiny = Math.round(TINY_SECONDS * at.session().rate().hertz());
        for (AudioRow row : at.session().audioRows()) {
            List<Clip> clips = at.clips(row).stream()
                    .sorted(Comparator.comparingLong(Clip::position))
                    .toList();
            List<Clip> slipped = new ArrayList<>();
            for (int i = 0; i + 1 < clips.size(); i++) {
                long gap = clips.get(i + 1).position() - clips.get(i).range().end();
                boolean crossfade = gap < 0
                        && clips.get(i).fadeOut().frames() > 0
                        && clips.get(i + 1).fadeIn().frames() > 0;
                if (gap != 0 && Math.abs(gap) <= tiny && !crossfade) {
                    slipped.add(clips.get(i));
                }
            }
            if (!slipped.isEmpty()) {
                report(at, row, clips, slipped, found);
            }
        }
    }

    private void report(Look at, AudioRow row, List<Clip> clips, List<Clip> slipped, Consumer<Finding> found) {
        Clip first = slipped.get(0);
        long gap =
                clips.get(clips.indexOf(first) + 1).position() - first.range().end();
        FrameRange mark = new FrameRange(
                first.range().end() + Math.min(0, gap), first.range().end() + Math.max(1, gap));
        found.accept(Finding.of(
                        this,
                        Severity.LOOK,
                        gap > 0 ? "A tiny gap" : "A tiny overlap",
                        at.called(row) + ": "
                                + (gap > 0 ? "clips miss each other by " : "clips overlap by ")
                                + String.format(
                                        Locale.ROOT,
                                        "%.1f ms",
                                        1_000 * at.session().rate().seconds(Math.abs(gap)))
                                + " at " + at.place(first.range().end())
                                + (slipped.size() == 1 ? "." : ", and at " + (slipped.size() - 1) + " more places."),
                        List.of(row.id()))
                .with("Between them", Math.abs(gap) + " samples")
                .showing(Evidence.wave(row.id(), at.around(mark), List.of(mark)))
                .offering(Remedy.changing("Let the clips meet", meeting(at, row, clips, slipped))));
    }

    /** Each slipped clip ends where the next starts, as far as its recording goes. */
    private static Together meeting(Look at, AudioRow row, List<Clip> clips, List<Clip> slipped) {
        List<Take> takes = row.takes().stream()
                .map(take -> !take.id().equals(row.active())
                        ? take
                        : new Take(
                                take.id(),
                                take.name(),
                                take.clips().stream()
                                        .map(clip -> {
                                            if (!slipped.contains(clip)) {
                                                return clip;
                                            }
                                            Recording recording = at.session().recording(clip.recording());
                                            long wanted = clips.get(clips.indexOf(clip) + 1)
                                                            .position()
                                                    - clip.position();
                                            return clip.cutTo(Math.min(
                                                    wanted,
                                                    recording.framesAt(
                                                                    at.session().rate())
                                                            - clip.offset()));
                                        })
                                        .toList()))
                .toList();
        return new Together(
                "Let clips of “" + row.name() + "” meet", List.of(new SetTakes(row.id(), takes, row.active())));
    }
}
