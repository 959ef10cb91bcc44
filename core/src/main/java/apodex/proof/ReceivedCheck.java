package apodex.proof;

import apodex.audio.SampleFormat;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.signal.Channels;
import apodex.signal.Placed;
import apodex.signal.Recordings;
import apodex.signal.Sharing;
import apodex.signal.Station;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Where files are not meant to be the mix: lays those taken at Raw together, and holds them against the plain sum of the session's own
 * rows.
 */
final class ReceivedCheck {
    private final Session session;
    private final Plan plan;
    private final List<Printing.Made> made;
    private final PlannedSection section;
    private final List<Print> sounding;

    /** @param session as the handoff sees it */
    ReceivedCheck(Session session, Plan plan, List<Printing.Made> made, int section) {
        this.session = session;
        this.plan = plan;
        this.made = made;
        this.section = plan.sections().get(section);
        this.sounding = rawOnes(section);
    }

    /** What is laid together; nothing where there is nothing to compare. */
    List<Print> prints() {
        return sounding;
    }

    /** Writes what the files must be together. */
    void writeWhatMustBe(Path to, Recordings recordings, int threads, BooleanSupplier cancelled) throws IOException {
        Tap tap = new Tap(
                MixRow.ID,
                Station.FADER,
                Channels.STEREO,
                SampleFormat.FLOAT32,
                plan.rate(),
                Tap.FileType.WAV,
                0,
                to,
                null,
                0);
        new Walk(plainly(), List.of(tap), section.passage(), Sharing.STANDARD, recordings, threads)
                .beside(List.of(), section.end(plan.rate(), session.rate()))
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
                "the session’s own rows, laid together plainly",
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
            boolean measured =
                    print.channels() == 1 && (print.sides() == Channels.MEASURED || placed(print) != Placed.MIDDLE);
            if (measured && peak != null) {
                limit += Decibels.toFactor(peak - print.trimDb() + Decibels.SIDE_THRESHOLD_DB);
            }
        }
        return limit;
    }

    private Placed placed(Print print) {
        return made.get(plan.prints().indexOf(print)).placed();
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

    /** The session with nothing but these rows at Raw, straight into the mix. */
    private Session plainly() {
        Map<String, Print> bySource =
                sounding.stream().collect(Collectors.toMap(Print::source, Function.identity(), (one, other) -> one));
        List<Row> rows = new ArrayList<>();
        for (Row row : session.rows()) {
            if (row instanceof MixRow) {
                rows.add(row.withStrip(Strip.feeding()));
            } else if (bySource.containsKey(row.id())) {
                Row plain = row instanceof AudioRow audio
                        ? audio.withTakes(
                                audio.takes().stream()
                                        .map(take -> new Take(
                                                take.id(),
                                                take.name(),
                                                take.clips().stream()
                                                        .map(clip -> plainly(clip, bySource.get(row.id())))
                                                        .toList()))
                                        .toList(),
                                audio.active())
                        : row;
                rows.add(plain.withStrip(Strip.PLAIN));
            } else if (row.kind().isPlayed()) {
                rows.add(row.withStrip(Strip.feeding())); // parts stay apart from their instrument, printed or not
            }
        }
        return session.withRows(rows).withPanLaw(PanLaw.ZERO);
    }

    /** Where a stereo row was printed as one file, because its sides are alike, one side stands for both here as well. */
    private Clip plainly(Clip clip, Print print) {
        Clip bare = clip.withInserts(List.of());
        boolean one =
                clip.channels() == 2 && print.sides() == Channels.MONO_FROM_LEFT && placed(print) == Placed.MIDDLE;
        return one
                ? new Clip(
                        bare.recording(),
                        bare.firstChannel(),
                        1,
                        bare.position(),
                        bare.offset(),
                        bare.frames(),
                        bare.gainDb(),
                        bare.fadeIn(),
                        bare.fadeOut(),
                        List.of(),
                        bare.muted(),
                        bare.inverted())
                : bare;
    }
}
