package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.List;

/** Clips of a list that lie over each other: in some programs all of them sound, in others the one on top. */
final class AskOverlaps extends Asking {
    /** Stands for this question among those agreed on; no row can be called so. */
    static final String OVERLAPS = "/overlaps";

    private static final int MOST_NAMES = 3;

    AskOverlaps(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        List<String> rows = intake.lists().overlapping();
        if (rows.isEmpty() || intake.agreed().contains(OVERLAPS)) {
            return;
        }
        String names = String.join("”, “", rows.subList(0, Math.min(MOST_NAMES, rows.size())));
        questions.add(new Question(
                Kind.OVERLAPS,
                intake.files().stream()
                        .filter(file ->
                                file.kind() == IntakeFile.Kind.CLIP_LIST || file.kind() == IntakeFile.Kind.TIMELINE)
                        .map(IntakeFile::id)
                        .toList(),
                "On “" + names + "”"
                        + (rows.size() > MOST_NAMES ? " and " + (rows.size() - MOST_NAMES) + " more rows" : "")
                        + " clips lie over each other. What sounds there?",
                List.of(
                        new Answer("All of them", new Correction.Overlapping(Overlaps.SUMMED), false),
                        new Answer("The one listed last", new Correction.Overlapping(Overlaps.LATER_ON_TOP), false))));
    }
}
