package apodex.proof;

import apodex.audio.SampleFormat;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.measure.Loudness;
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
import java.io.IOException;
import java.nio.file.Files;
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
    private final Path files;
    private final Recordings recordings;
    private final int threads;

    /** @param session as the handoff sees it */
    ReceivedCheck(
            Session session, Plan plan, List<Printing.Made> made, Path files, Recordings recordings, int threads) {
        this.session = session;
        this.plan = plan;
        this.made = made;
        this.files = files;
        this.recordings = recordings;
        this.threads = threads;
    }

    /**
     * The result for a section.
     *
     * @param proofs  of all files, in the plan's order
     * @param faults  files that do not hold what was printed, by their places in the plan
     * @return null where there is nothing to compare
     */
    ReceivedProof of(int index, List<FileProof> proofs, Map<Integer, Culprit> faults, BooleanSupplier cancelled)
            throws IOException {
        PlannedSection section = plan.sections().get(index);
        List<Print> sounding = rawOnes(index);
        if (sounding.isEmpty()
                || faults.keySet().stream()
                        .anyMatch(place -> sounding.contains(plan.prints().get(place)))) {
            return null;
        }
        Path work = Files.createTempDirectory("apodex-received-");
        Path must = work.resolve("must.wav");
        try {
            walk(plainly(sounding), section, must, cancelled);
            try (Stack stack = new Stack(plan, made, files, sounding, List.of(), false)) {
                stack.against(must);
                return compare(section, stack, sounding, limit(sounding, proofs));
            }
        } finally {
            Files.deleteIfExists(must);
            Files.deleteIfExists(work);
        }
    }

    /** A side that was left out because it is as good as the other, or as good as silent, may leave as much as that. */
    private double limit(List<Print> sounding, List<FileProof> proofs) {
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
    private Session plainly(List<Print> sounding) {
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

    private void walk(Session from, PlannedSection section, Path to, BooleanSupplier cancelled) throws IOException {
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
        new Walk(from, List.of(tap), section.passage(), Sharing.STANDARD, recordings, threads)
                .beside(List.of(), section.end(plan.rate(), session.rate()))
                .print(WalkObserver.cancelledBy(cancelled));
    }

    private ReceivedProof compare(PlannedSection section, Stack stack, List<Print> sounding, double limit)
            throws IOException {
        Leftover leftover = new Leftover(section.frames());
        Loudness loudness = new Loudness(plan.rate(), 2);
        stack.walk(section.frames(), (sum, left, first, count) -> {
            loudness.add(sum, count);
            leftover.add(left, first, count);
        });
        long frame = section.inSession(leftover.loudestAt(), plan.rate(), session.rate());
        Double lufs = loudness.integratedLufs().isEmpty()
                ? null
                : loudness.integratedLufs().getAsDouble();
        return new ReceivedProof(
                section.name(),
                "the session’s own rows, laid together plainly",
                leftover.peak() <= limit,
                sounding.stream().map(Print::path).toList(),
                leftover.rmsDbfs(),
                leftover.peakDbfs(),
                SongPlace.of(session, frame),
                lufs);
    }
}
