package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.List;

/** A table whose headings do not tell what it lists, and lists in bars of a song whose tempo nothing says. */
final class AskTables extends Asking {
    AskTables(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        for (IntakeFile file : intake.files()) {
            if (file.kind() == IntakeFile.Kind.TABLE) {
                questions.add(new Question(
                        Kind.TABLE,
                        List.of(file.id()),
                        "“" + file.name()
                                + "” is a table. If it lists clips or tracks, say what its columns are and what they count.",
                        List.of(new Answer(
                                "It is no list",
                                new Correction.ReadAs(
                                        file.id(), null, intake.lists(), intake.listed(), intake.missing(), List.of()),
                                false))));
            }
        }
        if (intake.lists().countsBars() && intake.lists().tempo() == null) {
            questions.add(new Question(
                    Kind.TEMPO,
                    intake.files().stream()
                            .filter(file -> file.kind() == IntakeFile.Kind.CLIP_LIST)
                            .map(IntakeFile::id)
                            .toList(),
                    "A list counts in bars, and nothing that came says the tempo. What is it, in quarters a minute?",
                    List.of()));
        }
    }
}
