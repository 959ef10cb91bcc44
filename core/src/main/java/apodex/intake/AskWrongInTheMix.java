package apodex.intake;

import apodex.align.Sighting;
import apodex.align.Sighting.Certainty;
import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.time.SampleRate;
import java.util.List;
import java.util.Locale;

/** What the reference tells besides the place: another rate, a clock that drifts, turned polarity. */
final class AskWrongInTheMix extends Asking {
    AskWrongInTheMix(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        for (IntakeFile file : used()) {
            if (!isFound(file)) {
                continue;
            }
            Sighting found = found(file);
            SampleRate rate = found.trueRate();
            List<String> one = List.of(file.id());
            if (rate != null && !rate.equals(file.recording().rate())) {
                questions.add(new Question(
                        Kind.WRONG_RATE,
                        one,
                        "“" + file.name() + "” only fits the mix at " + kilohertz(rate) + "; its header says "
                                + kilohertz(file.recording().rate()) + ". It would sound at the wrong speed.",
                        List.of(new Answer(
                                "Take it as " + kilohertz(rate),
                                new Correction.Several(List.of(
                                        new Correction.HasRate(one, rate.hertz()), new Correction.LieAsFound(one))),
                                found.certainty() == Certainty.SURE))));
            }
            if (found.driftPpm() != 0) {
                double end = file.recording().frames()
                        * Math.abs(found.driftPpm())
                        / 1e6
                        / file.recording().rate().hertz();
                questions.add(new Question(
                        Kind.DRIFT,
                        one,
                        String.format(
                                Locale.ROOT,
                                "“%s” was recorded by another clock, %.1f millionths too %s: by its end it is off by %.1f ms.",
                                file.name(),
                                Math.abs(found.driftPpm()),
                                found.driftPpm() > 0 ? "fast" : "slow",
                                end * 1000),
                        List.of()));
            }
            if (found.inverted() != file.seat().place().inverted() && found.certainty() == Certainty.SURE) {
                questions.add(new Question(
                        Kind.POLARITY,
                        one,
                        "“" + file.name() + "” lies in the mix with its polarity turned.",
                        List.of(new Answer("Turn it over", new Correction.TurnOver(one, found.inverted()), false))));
            }
        }
    }

    private static String kilohertz(SampleRate rate) {
        return (rate.hertz() % 1_000 == 0
                        ? Integer.toString(rate.hertz() / 1_000)
                        : Double.toString(rate.hertz() / 1_000.0))
                + " kHz";
    }
}
