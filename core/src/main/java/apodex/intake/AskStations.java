package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.intake.Seat.Use;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.HashMap;
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
                .filter(file -> Station.called(file.station()).isPresent()
                        && file.seat().use() != Use.REFERENCE
                        && file.seat().use() != Use.BESIDE)
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
        answers.add(0, new Answer("All, as twins of one row", asTwins(twins), false));
        questions.add(new Question(
                Kind.STATIONS,
                ids(twins),
                (several.size() == 1 ? "1 row came" : several.size() + " rows came")
                        + " more than once, from several stations of the way into the mix. Only the driest is there now."
                        + " Which shall be?",
                answers));
    }

    /** As the session was: the driest on the row, the others beside it, each at its station. What went on through the mix stays out. */
    private static Correction asTwins(List<IntakeFile> twins) {
        Map<String, Station> driest = new HashMap<>();
        twins.forEach(file -> driest.merge(file.seat().row(), station(file), (a, b) -> a.compareTo(b) < 0 ? a : b));
        List<Correction> all = new ArrayList<>();
        for (IntakeFile file : twins) {
            Station station = station(file);
            List<String> id = List.of(file.id());
            if (station == driest.get(file.seat().row())) {
                all.add(new Correction.UseAs(id, Use.ROW));
            } else if (station == Station.MIX) {
                all.add(new Correction.UseAs(id, Use.LEFT_OUT));
            } else {
                all.add(new Correction.Beside(id, file.seat().row(), station));
            }
        }
        all.add(new Correction.Agreed(STATIONS));
        return new Correction.Several(all);
    }

    private static Station station(IntakeFile file) {
        return Station.called(file.station()).orElseThrow();
    }
}
