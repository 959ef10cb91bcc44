package apodex.check;

import apodex.measure.SoundScan;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Take;
import apodex.session.UseTakeFor;
import apodex.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Runs of samples at full scale in what a row uses of its recordings. */
final class ClippedRecording extends Check {
    private static final String NOTE = "clipped at ";

    ClippedRecording() {
        super("clippedRecording");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            List<FrameRange> places = new ArrayList<>();
            List<SoundScan.Run> runs = new ArrayList<>();
            at.clips(row).forEach(clip -> collect(at, clip, places, runs));
            if (runs.isEmpty()) {
                continue;
            }
            int samples = runs.stream().mapToInt(SoundScan.Run::frames).sum();
            int longest = 0;
            for (int i = 1; i < runs.size(); i++) {
                longest = runs.get(i).frames() > runs.get(longest).frames() ? i : longest;
            }
            FrameRange worst = places.get(longest);
            String where = at.place(worst.start());
            if (Notes.says(row, NOTE + where)) {
                continue;
            }
            Finding finding = Finding.of(
                            this,
                            Severity.LOOK,
                            "Clipped recording",
                            "The recording itself is clipped: "
                                    + RowNames.count(samples, "sample") + " at full scale in "
                                    + RowNames.count(runs.size(), "place")
                                    + " of " + at.called(row) + ", the longest at " + where
                                    + ". A mixer can hide it, not undo it.",
                            List.of(row.id()))
                    .with("At full scale", RowNames.count(samples, "sample"))
                    .with("Longest", RowNames.count(runs.get(longest).frames(), "sample") + " at " + where)
                    .showing(Evidence.wave(
                            row.id(),
                            at.around(worst),
                            places.stream()
                                    .filter(place -> place.overlaps(at.around(worst)))
                                    .toList()));
            Optional<Take> other = cleanTake(at, row, worst);
            if (other.isPresent()) {
                FrameRange bars = Bars.around(
                        at.session(),
                        new FrameRange(
                                places.get(0).start(),
                                places.get(places.size() - 1).end()));
                finding = finding.offering(Remedy.changing(
                        "Use “" + other.get().name() + "” for " + Bars.named(at.session(), bars),
                        new UseTakeFor(row.id(), other.get().id(), bars.start(), bars.end())));
            }
            found.accept(finding.offering(Notes.add("Say so on the sheet", row, NOTE + where)));
        }
    }

    private static void collect(Look at, Clip clip, List<FrameRange> places, List<SoundScan.Run> runs) {
        Optional<SoundScan> scan = at.scan(clip);
        if (scan.isEmpty()) {
            return;
        }
        FrameRange heard = at.heard(clip);
        for (SoundScan.Run run : scan.get().runs()) {
            boolean used =
                    run.channel() >= clip.firstChannel() && run.channel() < clip.firstChannel() + clip.channels();
            if (used && heard.overlaps(FrameRange.ofLength(run.frame(), run.frames()))) {
                runs.add(run);
                long start = at.inSession(clip, run.frame());
                places.add(new FrameRange(start, Math.max(start + 1, at.inSession(clip, run.frame() + run.frames()))));
            }
        }
    }

    /** Another take that covers the place and is not clipped there. */
    private static Optional<Take> cleanTake(Look at, AudioRow row, FrameRange place) {
        return row.takes().stream()
                .filter(take -> !take.id().equals(row.active()))
                .filter(take -> take.clips().stream()
                        .anyMatch(clip -> clip.range().start() <= place.start()
                                && clip.range().end() >= place.end()
                                && !clip.muted()
                                && isClean(at, clip)))
                .findFirst();
    }

    private static boolean isClean(Look at, Clip clip) {
        List<SoundScan.Run> runs = new ArrayList<>();
        collect(at, clip, new ArrayList<>(), runs);
        return at.scan(clip).isPresent() && runs.isEmpty();
    }
}
