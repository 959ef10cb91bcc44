package apodex.proof;

import apodex.audio.SampleFormat;
import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.session.BusRow;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.signal.Station;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;

/** Adds files up, takes the sum from the reference mix, and where something is left looks for the file that explains it. */
public final class SumCheck {
    static final int BLOCK_FRAMES = 16_384;
    private static final int MOST_CULPRITS = 5;
    /** Floats add up to this in any case; beyond that nobody hears or computes a difference. */
    private static final double FLOAT_LIMIT = 1e-5;

    private final Session session;
    private final Plan plan;
    private final List<Printing.Made> made;
    private final Path files;

    /**
     * @param session as the handoff sees it
     * @param files   folder of the printed files
     */
    public SumCheck(Session session, Plan plan, List<Printing.Made> made, Path files) {
        this.session = session;
        this.plan = plan;
        this.made = made;
        this.files = files;
    }

    /** One result for every section. */
    public List<SumProof> all() throws IOException {
        List<SumProof> proofs = new ArrayList<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            proofs.add(check(section));
        }
        return proofs;
    }

    private SumProof check(int index) throws IOException {
        PlannedSection section = plan.sections().get(index);
        SumSet set = SumSet.of(session, plan, index);
        if (!set.whyNot().isEmpty()) {
            return SumProof.notMeant(section.name(), set.whyNot(), set.missing());
        }
        if (!set.missing().isEmpty() && set.missing().size() >= set.prints().size()) {
            return SumProof.notMeant(
                    section.name(), "most rows have no file taken where they enter the mix", set.missing());
        }
        Print reference = plan.reference(index).orElseThrow();
        List<Print> there = set.prints().stream()
                .filter(print -> Files.exists(files.resolve(print.path())))
                .toList();
        if (!Files.exists(files.resolve(reference.path()))) {
            return SumProof.notMeant(section.name(), "the reference mix is not on the disk", set.missing());
        }
        Leftover leftover = new Leftover(section.frames());
        try (Stack stack = new Stack(there, reference)) {
            stack.walk(section.frames(), leftover::add);
        }
        double limit = limit(plan.depth().sample(), there.size());
        boolean addsUp = leftover.peak() <= limit
                && set.missing().isEmpty()
                && there.size() == set.prints().size();
        List<Culprit> culprits = new ArrayList<>();
        set.prints().stream()
                .filter(print -> !there.contains(print))
                .forEach(print ->
                        culprits.add(new Culprit(Culprit.Kind.MISSING, List.of(print.path()), print.file(), 0, null)));
        set.missing().forEach(name -> culprits.add(new Culprit(Culprit.Kind.MISSING, List.of(), name, 0, null)));
        if (leftover.peak() > limit) {
            culprits.addAll(explain(there, reference, leftover, section.frames(), index));
        }
        return new SumProof(
                section.name(),
                "",
                addsUp,
                there.stream().map(Print::path).toList(),
                leftover.rmsDbfs(),
                leftover.peakDbfs(),
                Decibels.ofAmplitude(limit),
                leftover.loudestAt(),
                SongPlace.of(session, section.inSession(leftover.loudestAt(), plan.rate(), session.rate())),
                leftover.curve(),
                culprits,
                set.missing());
    }

    /** What rounding each file and the mix to the format can leave, dither included. */
    static double limit(SampleFormat sample, int files) {
        return sample.isFloat()
                ? FLOAT_LIMIT
                : Math.max(FLOAT_LIMIT, (files + 1) * 2 * Math.scalb(1.0, 1 - sample.bits()));
    }

    /** Holds every file, and every bus, against the leftover; gives what would make it small, the likeliest first. */
    private List<Culprit> explain(List<Print> inSum, Print reference, Leftover leftover, long frames, int section)
            throws IOException {
        List<Suspect> suspects = suspects(inSum, section);
        try (Stack stack = new Stack(inSum, reference)) {
            for (Suspect suspect : suspects) {
                for (Print print : suspect.prints()) {
                    suspect.lay(lay(print, Suspect.ROOM_FRAMES));
                }
            }
            stack.walk(frames, (left, first, count) -> {
                for (Suspect suspect : suspects) {
                    suspect.compare(left, first, count);
                }
            });
        } finally {
            for (Suspect suspect : suspects) {
                suspect.close();
            }
        }
        return suspects.stream()
                .map(suspect -> suspect.verdict(leftover))
                .filter(Objects::nonNull)
                .sorted(Comparator.comparingDouble(
                        culprit -> culprit.leftoverDbfs() == null ? Leftover.NOTHING_DBFS : culprit.leftoverDbfs()))
                .limit(MOST_CULPRITS)
                .toList();
    }

    private List<Suspect> suspects(List<Print> inSum, int section) {
        List<Suspect> suspects = new ArrayList<>();
        List<Print> others = new ArrayList<>();
        for (Print print : plan.prints()) {
            if (print.section() == section
                    && !print.isReference()
                    && !print.isClick()
                    && Files.exists(files.resolve(print.path()))) {
                boolean counted = inSum.contains(print);
                suspects.add(new Suspect(print.file(), List.of(print), counted));
                if (!counted) {
                    others.add(print);
                }
            }
        }
        for (Row bus : session.rows()) {
            for (List<Print> list : List.of(inSum, others)) {
                List<Print> members =
                        list.stream().filter(print -> isIn(print, bus)).toList();
                if (members.size() > 1 && bus instanceof BusRow) {
                    suspects.add(new Suspect("All of " + bus.name(), members, list == inSum));
                }
            }
        }
        return suspects;
    }

    /** Whether a file is of a row in a bus, taken where nothing more happens to it. */
    private boolean isIn(Print print, Row bus) {
        List<Station> offered = plan.rows().stream()
                .filter(row -> row.row().equals(print.source()))
                .map(PlanRow::stations)
                .findFirst()
                .orElse(List.of());
        return !offered.isEmpty()
                && print.station() == offered.get(offered.size() - 1)
                && Routing.downstream(session, session.row(print.source()).orElseThrow(), Routing.Through.OUTPUTS)
                        .contains(bus);
    }

    private Laid lay(Print print, int roomFrames) throws IOException {
        return new Laid(
                files.resolve(print.path()),
                made.get(plan.prints().indexOf(print)).placed(),
                print.trimDb(),
                roomFrames);
    }

    /** Takes a stretch of what the sum leaves of the reference. */
    private interface Taker {
        void take(double[][] left, long first, int count) throws IOException;
    }

    /** Files open at once. */
    private final class Stack implements AutoCloseable {
        private final List<Laid> added = new ArrayList<>();
        private Laid reference;

        Stack(List<Print> prints, Print reference) throws IOException {
            try {
                for (Print print : prints) {
                    added.add(lay(print, BLOCK_FRAMES));
                }
                this.reference = lay(reference, BLOCK_FRAMES);
            } catch (IOException | RuntimeException e) {
                close();
                throw e;
            }
        }

        void walk(long frames, Taker taker) throws IOException {
            double[][] left = new double[2][BLOCK_FRAMES];
            double[][] one = new double[2][BLOCK_FRAMES];
            for (long first = 0; first < frames; first += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, frames - first);
                reference.read(first, count, left);
                for (Laid each : added) {
                    each.read(first, count, one);
                    for (int side = 0; side < 2; side++) {
                        for (int i = 0; i < count; i++) {
                            left[side][i] -= one[side][i];
                        }
                    }
                }
                taker.take(left, first, count);
            }
        }

        @Override
        public void close() throws IOException {
            for (Laid each : added) {
                each.close();
            }
            if (reference != null) {
                reference.close();
            }
        }
    }
}
