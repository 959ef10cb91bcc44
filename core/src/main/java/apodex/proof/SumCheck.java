package apodex.proof;

import apodex.handoff.Outgoing;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.measure.Loudness;
import apodex.session.Session;
import apodex.session.SongPlace;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Adds files up and takes the sum from the reference mix, where their shares say that nothing may be left. */
final class SumCheck {
    /** Floats add up to this in any case; beyond that nobody hears or computes a difference. */
    private static final double FLOAT_LIMIT = 1e-5;

    private final Outgoing outgoing;
    private final Plan plan;
    private final List<Printing.Made> made;
    private final Path files;
    private final Map<Integer, Culprit> faults;

    /**
     * @param files  folder of the printed files
     * @param faults files that do not hold what was printed, by their places in the plan
     */
    SumCheck(Outgoing outgoing, Plan plan, List<Printing.Made> made, Path files, Map<Integer, Culprit> faults) {
        this.outgoing = outgoing;
        this.plan = plan;
        this.made = made;
        this.files = files;
        this.faults = faults;
    }

    /** What a section's files make. @param received the sum as a fresh session of the same files; null when it was not made */
    record Result(SumProof sum, @Nullable ReceivedProof received) {}

    /** One result for every section. */
    List<Result> all() throws IOException {
        List<Result> results = new ArrayList<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            results.add(check(section));
        }
        return results;
    }

    private Result check(int index) throws IOException {
        PlannedSection section = plan.sections().get(index);
        SumSet set = SumSet.of(outgoing, plan, index);
        if (!set.whyNot().isEmpty()) {
            return new Result(SumProof.notMeant(section.name(), set.whyNot(), set.missing()), null);
        }
        List<Culprit> culprits = new ArrayList<>();
        faults.forEach((place, fault) -> {
            Print print = plan.prints().get(place);
            if (set.prints().contains(print) || set.reference().contains(print)) {
                culprits.add(fault);
            }
        });
        if (!culprits.isEmpty()) {
            return new Result(SumProof.notAdded(section.name(), paths(set.prints()), culprits), null);
        }
        Leftover leftover = new Leftover(section.frames());
        Loudness loudness = new Loudness(plan.rate(), 2);
        try (Stack stack =
                new Stack(plan, made, files, set.prints(), set.reference(), SumSet.isMono(set.reference()))) {
            stack.walk(section.frames(), (sum, left, first, count) -> {
                loudness.add(sum, count);
                leftover.add(left, first, count);
            });
        }
        double limit = limit(plan, set.prints(), set.reference());
        return result(section, set, leftover, limit, loudness);
    }

    private Result result(PlannedSection section, SumSet set, Leftover leftover, double limit, Loudness loudness) {
        boolean addsUp = leftover.peak() <= limit;
        Session session = outgoing.session();
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
        Double lufs = loudness.integratedLufs().isEmpty()
                ? null
                : loudness.integratedLufs().getAsDouble();
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
                        lufs));
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
