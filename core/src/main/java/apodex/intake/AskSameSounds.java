package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.intake.Seat.Use;
import java.util.List;
import java.util.Locale;

/** Files that hold one sound. */
final class AskSameSounds extends Asking {
    AskSameSounds(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        for (SameSound same : intake.same()) {
            IntakeFile file = intake.file(same.file());
            IntakeFile of = intake.file(same.of());
            if (file.seat().use() != Use.ROW || of.seat().use() != Use.ROW) {
                continue;
            }
            boolean exact = same.gainDb() == 0 && !same.inverted();
            String how = exact
                    ? "sample for sample"
                    : String.format(Locale.ROOT, "%+.1f dB%s", same.gainDb(), same.inverted() ? ", turned over" : "");
            questions.add(new Question(
                    Kind.SAME_SOUND,
                    List.of(file.id(), of.id()),
                    "“" + file.name() + "” is the same sound as “" + of.name() + "”, " + how + ".",
                    List.of(
                            new Answer(
                                    "Leave “" + file.name() + "” out",
                                    new Correction.UseAs(List.of(file.id()), Use.LEFT_OUT),
                                    exact),
                            new Answer(
                                    "Leave “" + of.name() + "” out",
                                    new Correction.UseAs(List.of(of.id()), Use.LEFT_OUT),
                                    false))));
        }
    }
}
