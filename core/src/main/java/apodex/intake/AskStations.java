package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.intake.Seat.Use;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** A row that was printed at several stations would sound several times. */
final class AskStations extends Asking {
    /** Stands for this question among those agreed on; no row can be called so. */
    private static final String STATIONS = "/stations";

    AskStations(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        List<IntakeFile> taken = intake.sounds().stream()
                .filter(file -> !file.station().isEmpty() && file.seat().use() != Use.REFERENCE)
                .toList();
        Set<String> several = taken.stream()
                .collect(Collectors.groupingBy(
                        file -> file.seat().row(), Collectors.mapping(IntakeFile::station, Collectors.toSet())))
                .entrySet()
                .stream()
                .filter(row -> row.getValue().size() > 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        if (several.isEmpty() || intake.agreed().contains(STATIONS)) {
            return;
        }
        List<IntakeFile> twins = taken.stream()
                .filter(file -> several.contains(file.seat().row()))
                .toList();
        List<Answer> answers = new ArrayList<>();
        for (String station : twins.stream().map(IntakeFile::station).distinct().toList()) {
            List<IntakeFile> here = twins.stream()
                    .filter(file -> file.station().equals(station))
                    .toList();
            List<IntakeFile> others = twins.stream()
                    .filter(file -> here.stream()
                                    .anyMatch(one ->
                                            one.seat().row().equals(file.seat().row()))
                            && !file.station().equals(station))
                    .toList();
            answers.add(new Answer(
                    "At " + station + " (" + here.size() + ")",
                    new Correction.Several(List.of(
                            new Correction.UseAs(ids(here), Use.ROW),
                            new Correction.UseAs(ids(others), Use.LEFT_OUT),
                            new Correction.Agreed(STATIONS))),
                    false));
        }
        questions.add(new Question(
                Kind.STATIONS,
                ids(twins),
                (several.size() == 1 ? "1 row came" : several.size() + " rows came")
                        + " more than once, from several stations of the way into the mix. Only the driest is heard now."
                        + " Which shall be?",
                answers));
    }
}
