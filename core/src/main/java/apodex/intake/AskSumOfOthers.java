package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.intake.Seat.Use;
import java.util.List;

/** A mix that nobody called one, or a group beside its members: as a row it would sound once more. */
final class AskSumOfOthers extends Asking {
    /** Of all that is heard: what is made of so many is the mix, of fewer a group. */
    private static final double MOST = 0.6;
    /** A group is its members and nothing else. */
    private static final double GROUP = 0.98;

    AskSumOfOthers(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        SumOfOthers sum = intake.sum();
        if (sum == null
                || intake.file(sum.file()).seat().use() != Use.ROW
                || intake.agreed().contains(key(sum))) {
            return;
        }
        long others = used().stream()
                .filter(file -> file.heard().peak() > 0 && !file.id().equals(sum.file()))
                .count();
        boolean isMix = sum.parts().size() >= MOST * others;
        if (!isMix && sum.explained() < GROUP) {
            return;
        }
        IntakeFile file = intake.file(sum.file());
        String share = Math.round(100 * sum.explained()) + " %";
        List<String> id = List.of(file.id());
        Answer keep = new Answer("It is a row", new Correction.Agreed(key(sum)), false);
        if (isMix) {
            questions.add(new Question(
                    Kind.SUM_OF_OTHERS,
                    id,
                    "“" + file.name() + "” looks like the mix: the other files add up to " + share
                            + " of it. As a row everything would sound twice.",
                    List.of(
                            new Answer("Hold the others against it", new Correction.UseAs(id, Use.REFERENCE), true),
                            keep)));
        } else {
            questions.add(new Question(
                    Kind.SUM_OF_OTHERS,
                    id,
                    "“" + file.name() + "” is what " + sum.parts().size() + " other files add up to, “"
                            + intake.file(sum.parts().get(0)).name() + "” for one: together they sound twice.",
                    List.of(
                            new Answer(
                                    "Leave “" + file.name() + "” out", new Correction.UseAs(id, Use.LEFT_OUT), false),
                            keep)));
        }
    }

    /** Stands for this question among those agreed on; no row can be called so. */
    private static String key(SumOfOthers sum) {
        return "/sum " + sum.file();
    }
}
