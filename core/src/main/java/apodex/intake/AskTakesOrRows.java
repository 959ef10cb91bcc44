package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Numbers behind a name may count takes, or players. */
final class AskTakesOrRows extends Asking {
    AskTakesOrRows(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        intake.rows().forEach((name, files) -> {
            Set<Integer> takes = files.stream().map(file -> file.seat().take()).collect(Collectors.toSet());
            boolean said =
                    files.stream().allMatch(file -> file.seat().note().matches("(?i).*\\b(?:take|tk)[\\s_]*\\d.*"));
            if (takes.size() > 1 && !said && !intake.agreed().contains(name)) {
                List<String> ids = ids(files);
                List<Correction> rows = new ArrayList<>();
                for (IntakeFile file : files) {
                    rows.add(new Correction.InRow(
                            List.of(file.id()), name + " " + file.seat().take()));
                    rows.add(new Correction.AsTake(List.of(file.id()), 1));
                }
                questions.add(new Question(
                        Kind.TAKES_OR_ROWS,
                        ids,
                        files.size() + " files are called “" + name
                                + "” and numbered: takes of one row, or rows of their own?",
                        List.of(
                                new Answer("Takes of one row", new Correction.Agreed(name), false),
                                new Answer("Rows of their own", new Correction.Several(rows), false))));
            }
        });
    }
}
