package apodex.proof;

import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.measure.Decibels;
import apodex.session.Session;
import apodex.session.SongPlace;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What it comes to when files are laid together whose shares say that nothing of the reference mix may be left. */
final class SumCheck {
    /** Floats add up to this in any case; beyond that nobody hears or computes a difference. */
    private static final double FLOAT_LIMIT = 1e-5;

    private final Session session;
    private final Plan plan;
    private final PlannedSection section;
    private final SumSet set;

    SumCheck(Session session, Plan plan, PlannedSection section, SumSet set) {
        this.session = session;
        this.plan = plan;
        this.section = section;
        this.set = set;
    }

    /** What a section's files make. @param received the sum as a fresh session of the same files; null when it was not made */
    record Result(SumProof sum, @Nullable ReceivedProof received) {}

    /**
     * The result for the section.
     *
     * @param made   what they made
     * @param faults files that do not hold what was printed, by their places in the plan
     */
    Result of(ReadBack.Made made, Map<Integer, Culprit> faults) {
        List<Culprit> culprits = new ArrayList<>();
        faults.forEach((place, fault) -> {
            Print print = plan.prints().get(place);
            if (set.prints().contains(print) || set.reference().contains(print)) {
                culprits.add(fault);
            }
        });
        return culprits.isEmpty()
                ? judged(made)
                : new Result(SumProof.notAdded(section.name(), paths(set.prints()), culprits), null);
    }

    private Result judged(ReadBack.Made made) {
        Leftover leftover = made.leftover();
        double limit = limit(plan, set.prints(), set.reference());
        boolean addsUp = leftover.peak() <= limit;
        String place = SongPlace.of(session, section.inSession(leftover.loudestAt(), plan.rate(), session.rate()));
        SumProof sum = new SumProof(
                section.name(),
                "",
                addsUp,
                paths(set.prints()),
                leftover.rmsDbfs(),
                leftover.peakDbfs(),
                Decibels.ofAmplitude(limit),
                leftover.loudestAt(),
                place,
                leftover.curve(),
                List.of(),
                List.of());
        return new Result(
                sum,
                new ReceivedProof(
                        section.name(),
                        ReceivedProof.REFERENCE,
                        addsUp,
                        sum.files(),
                        sum.rmsDbfs(),
                        sum.peakDbfs(),
                        place,
                        made.lufs()));
    }

    private static List<String> paths(List<Print> prints) {
        return prints.stream().map(Print::path).toList();
    }

    /** What rounding each file to the format can leave, dither included, after its trim is taken back. */
    static double limit(Plan plan, List<Print> added, List<Print> against) {
        double limit = FLOAT_LIMIT;
        if (!plan.depth().sample().isFloat()) {
            double step = Math.scalb(1.0, 1 - plan.depth().sample().bits());
            double steps = 0;
            for (List<Print> prints : List.of(added, against)) {
                for (Print print : prints) {
                    steps += 2 * step * Decibels.toFactor(-print.trimDb());
                }
            }
            limit = Math.max(limit, steps);
        }
        return limit;
    }
}
