package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.intake.Seat.Side;
import java.util.List;

/** A side whose other side does not fit. */
final class AskLoneSides extends Asking {
    AskLoneSides(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        intake.rows().forEach((name, files) -> {
            List<IntakeFile> sides = files.stream()
                    .filter(file -> file.seat().side() != Side.WHOLE)
                    .toList();
            for (IntakeFile left : sides) {
                boolean isLeft = left.seat().side() == Side.LEFT;
                boolean alone = sides.stream()
                        .noneMatch(right -> right.seat().side() != left.seat().side()
                                && right.seat().take() == left.seat().take()
                                && (isLeft ? SessionFromIntake.fit(left, right) : SessionFromIntake.fit(right, left)));
                if (alone) {
                    List<String> one = List.of(left.id());
                    questions.add(new Question(
                            Kind.LONE_SIDE,
                            one,
                            "“" + left.name() + "” is the " + (isLeft ? "left" : "right") + " side of “" + name
                                    + "”, and no " + (isLeft ? "right" : "left") + " side fits it.",
                            List.of(new Answer(
                                    "A row of its own",
                                    new Correction.Several(List.of(
                                            new Correction.AsSide(one, Side.WHOLE),
                                            new Correction.InRow(one, name + (isLeft ? " L" : " R")))),
                                    true))));
                }
            }
        });
    }
}
