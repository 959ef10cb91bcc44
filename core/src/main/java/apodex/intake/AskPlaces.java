package apodex.intake;

import apodex.align.Sighting.Certainty;
import apodex.intake.Place.By;
import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Files that the reference has somewhere else; those that are off by the same are asked about together. */
final class AskPlaces extends Asking {
    /** So many files that are off by the same are off for one reason. */
    private static final int A_BATCH = 3;

    private static final double HEARD_APART_SECONDS = 0.02;

    AskPlaces(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        Map<Long, List<IntakeFile>> off = new LinkedHashMap<>();
        for (IntakeFile file : used()) {
            if (isFound(file) && file.seat().place().by() == By.START && isElsewhere(file)) {
                off.computeIfAbsent(found(file).frame() - file.seat().place().frame(), by -> new ArrayList<>())
                        .add(file);
            }
        }
        off.forEach((frames, files) -> {
            if (files.size() >= A_BATCH) {
                place(files, frames);
            } else {
                files.forEach(file -> place(List.of(file), frames));
            }
        });
    }

    /** Effects and the way to a microphone move a sound by some milliseconds: that little is only told where it is sure. */
    private boolean isElsewhere(IntakeFile file) {
        long off = Math.abs(found(file).frame() - file.seat().place().frame());
        boolean sure = found(file).certainty() == Certainty.SURE;
        return sure ? off > 0 : off > HEARD_APART_SECONDS * intake.rate().hertz();
    }

    private void place(List<IntakeFile> files, long frames) {
        boolean sure = files.stream().allMatch(file -> found(file).certainty() == Certainty.SURE);
        String who = files.size() == 1 ? "“" + files.get(0).name() + "” says" : files.size() + " files say";
        String what = who + " nothing of " + (files.size() == 1 ? "its" : "their") + " place. "
                + (sure ? "In the mix " : "In the mix, as it seems, ")
                + (files.size() == 1 ? "it lies " : "they all lie ")
                + seconds(frames) + (frames > 0 ? " later" : " earlier")
                + (sure ? ", to the sample." : "; not sure to the sample.");
        List<String> ids = ids(files);
        questions.add(new Question(
                Kind.PLACE,
                ids,
                what,
                List.of(
                        new Answer(
                                "Put " + (files.size() == 1 ? "it" : "them") + " there",
                                new Correction.LieAsFound(ids),
                                sure),
                        new Answer(
                                intake.onto() == null ? "Leave at the start" : "Leave at the mark",
                                new Correction.Shift(ids, 0),
                                false))));
    }

    private String seconds(long frames) {
        double seconds = Math.abs((double) frames) / intake.rate().hertz();
        return seconds < 0.01
                ? Math.abs(frames) + " samples"
                : String.format(Locale.ROOT, "%d:%06.3f", (int) (seconds / 60), seconds % 60);
    }
}
