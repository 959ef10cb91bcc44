package apodex.proof;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.handoff.Placing;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.measure.Decibels;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Placed;
import apodex.signal.PlainSum;
import apodex.signal.Recordings;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;

/**
 * Where files are not meant to be the mix: lays those taken at Raw together, and holds them against the plain sum of the session's own
 * rows.
 */
final class ReceivedCheck {
    private final Session session;
    private final Plan plan;
    private final PlannedSection section;
    private final List<Print> sounding;

    /** @param session as the handoff sees it */
    ReceivedCheck(Session session, Plan plan, int section) {
        this.session = session;
        this.plan = plan;
        this.section = plan.sections().get(section);
        this.sounding = rawOnes(section);
    }

    /** What is laid together; nothing where there is nothing to compare. */
    List<Print> prints() {
        return sounding;
    }

    /** What the files must be together, to be written to a file. */
    PlainSum whatMustBe(Path file) {
        Map<String, PlainSum.Share> shares = new LinkedHashMap<>(); // of two mono files of one row, the row once
        sounding.forEach(print -> shares.putIfAbsent(print.source(), share(print)));
        return new PlainSum(List.copyOf(shares.values()), file);
    }

    /** Where a stereo row was printed as one file, because its sides are alike, one side stands for both here as well. */
    private PlainSum.Share share(Print print) {
        boolean one = print.sides() == Channels.MONO_FROM_LEFT && Placing.of(plan, print) == Placed.MIDDLE;
        return new PlainSum.Share(print.source(), one ? PlainSum.Sides.LEFT_FOR_BOTH : PlainSum.Sides.BOTH);
    }

    /** Writes what must be where printing has not: when files are read again, or nothing was printed anew. */
    void write(PlainSum sum, Recordings recordings, int threads, BooleanSupplier cancelled) throws IOException {
        Tap tap = new Tap(
                sounding.get(0).source(),
                Station.RAW,
                Channels.STEREO,
                SampleFormat.FLOAT32,
                plan.rate(),
                FileKind.WAV,
                0,
                null,
                null,
                0);
        new Walk(session, List.of(tap), section.passage(), plan.sharing(), recordings, threads)
                .beside(List.of(), section.end(plan.rate(), session.rate()))
                .along(sum)
                .print(WalkObserver.cancelledBy(cancelled));
    }

    /**
     * The result.
     *
     * @param together what they made
     * @param proofs   of all files, in the plan's order
     * @param faults   files that do not hold what was printed, by their places in the plan
     * @return null where there is nothing to compare
     */
    @Nullable
    ReceivedProof of(ReadBack.Made together, List<FileProof> proofs, Map<Integer, Culprit> faults) {
        if (faults.keySet().stream()
                .anyMatch(place -> sounding.contains(plan.prints().get(place)))) {
            return null;
        }
        Leftover leftover = together.leftover();
        return new ReceivedProof(
                section.name(),
                "the session’s own rows",
                leftover.peak() <= limit(proofs),
                sounding.stream().map(Print::path).toList(),
                leftover.rmsDbfs(),
                leftover.peakDbfs(),
                SongPlace.of(session, section.inSession(leftover.loudestAt(), plan.rate(), session.rate())),
                together.lufs());
    }

    /** A side that was left out because it is as good as the other, or as good as silent, may leave as much as that. */
    private double limit(List<FileProof> proofs) {
        double limit = SumCheck.limit(plan, sounding, List.of());
        for (Print print : sounding) {
            Double peak = proofs.get(plan.prints().indexOf(print)).peakDbfs();
            boolean measured = print.channels() == 1
                    && (print.sides() == Channels.MEASURED || Placing.of(plan, print) != Placed.MIDDLE);
            if (measured && peak != null) {
                limit += Decibels.toFactor(peak - print.trimDb() + Decibels.SIDE_THRESHOLD_DB);
            }
        }
        return limit;
    }

    /** One Raw file of every row that sounds of itself; those folded to mono by hand differ on purpose. */
    private List<Print> rawOnes(int section) {
        return plan.prints().stream()
                .filter(print -> print.section() == section
                        && print.station() == Station.RAW
                        && !print.isClick()
                        && print.source().equals(print.row())
                        && print.sides() != Channels.MONO_SUM
                        && session.row(print.row())
                                .filter(row -> row.kind().isSource())
                                .isPresent())
                .toList();
    }
}
