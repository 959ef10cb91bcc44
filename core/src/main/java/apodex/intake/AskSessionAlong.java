package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.List;

/** A parcel that brought its session's document can be that session again. */
final class AskSessionAlong extends Asking {
    /** Stands for this question among those agreed on; no row can be called so. */
    private static final String ALONG = "/along";

    AskSessionAlong(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        if (intake.along() == null || intake.agreed().contains(ALONG)) {
            return;
        }
        questions.add(new Question(
                Kind.SESSION_ALONG,
                List.of(),
                "The session it was printed from came along. With it the faders, effects, buses and moves are as they were, and the"
                        + " printed files lie in the place of the recordings, each at its station.",
                List.of(
                        new Answer(
                                "As the session it was",
                                new Correction.Several(List.of(new Correction.AsItWas(), new Correction.Agreed(ALONG))),
                                false),
                        new Answer("Flat, to be mixed anew", new Correction.Agreed(ALONG), false))));
    }
}
