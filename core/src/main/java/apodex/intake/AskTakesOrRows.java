package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Numbers behind a name may count takes, or players. */
final class AskTakesOrRows extends Asking {
    AskTakesOrRows(Intake intake) {
        super(intake);
    }

    /** More rows than these are asked about at once. */
    private static final int FEW = 3;

    @Override
    void ask() {
        Map<String, List<IntakeFile>> numbered = new LinkedHashMap<>();
        intake.rows().forEach((name, files) -> {
            Set<Integer> takes = files.stream().map(file -> file.seat().take()).collect(Collectors.toSet());
            boolean said =
                    files.stream().allMatch(file -> file.seat().note().matches("(?i).*\\b(?:take|tk)[\\s_]*\\d.*"));
            if (takes.size() > 1 && !said && !intake.agreed().contains(name)) {
                numbered.put(name, files);
            }
        });
        if (numbered.size() > FEW) {
            ask(
                    numbered,
                    numbered.size() + " rows have files that are numbered, as " + first(numbered)
                            + ": takes of one row each, or rows of their own?",
                    "Takes of one row each");
        } else {
            numbered.forEach((name, files) -> ask(
                    Map.of(name, files),
                    files.size() + " files are called “" + name
                            + "” and numbered: takes of one row, or rows of their own?",
                    "Takes of one row"));
        }
    }

    private static String first(Map<String, List<IntakeFile>> numbered) {
        return numbered.keySet().stream()
                .limit(FEW)
                .map(name -> "“" + name + "”")
                .collect(Collectors.joining(", "));
    }

    private void ask(Map<String, List<IntakeFile>> rows, String words, String takes) {
        List<Correction> agreed = new ArrayList<>();
        List<Correction> apart = new ArrayList<>();
        rows.forEach((name, files) -> {
            agreed.add(new Correction.Agreed(name));
            for (IntakeFile file : files) {
                apart.add(new Correction.InRow(
                        List.of(file.id()), name + " " + file.seat().take()));
                apart.add(new Correction.AsTake(List.of(file.id()), 1));
            }
        });
        questions.add(new Question(
                Kind.TAKES_OR_ROWS,
                rows.values().stream().flatMap(List::stream).map(IntakeFile::id).toList(),
                words,
                List.of(
                        new Answer(takes, new Correction.Several(agreed), false),
                        new Answer("Rows of their own", new Correction.Several(apart), false))));
    }
}
