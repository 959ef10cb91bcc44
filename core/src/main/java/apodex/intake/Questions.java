package apodex.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/** What is open in an intake as it stands now, the most important first. */
public final class Questions {
    /** Each looks for one thing. */
    private static final List<Function<Intake, Asking>> ALL = List.of(
            AskSessionAlong::new,
            AskTables::new,
            AskOverlaps::new,
            AskPlaces::new,
            AskNoPlaces::new,
            AskWrongInTheMix::new,
            AskSameSounds::new,
            AskTakesOrRows::new,
            AskLoneSides::new,
            AskSumOfOthers::new,
            AskStations::new,
            AskWetAndDry::new);

    private Questions() {}

    public static List<Question> of(Intake intake) {
        List<Question> questions = new ArrayList<>();
        if (intake.isAsItWas()) {
            return questions; // the session says what everything is
        }
        for (Function<Intake, Asking> each : ALL) {
            Asking asking = each.apply(intake);
            asking.ask();
            questions.addAll(asking.questions);
        }
        questions.sort(Comparator.comparing(Question::kind));
        return questions;
    }
}
