package apodex.proof;

import apodex.audio.SampleFormat;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Loudness;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.PartRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Placed;
import apodex.signal.Recordings;
import apodex.signal.Sharing;
import apodex.signal.Station;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import apodex.time.FrameRange;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Loads the printed files into a fresh session, plays it through the engine, and compares: with the reference mix where the
 * files are meant to add up to it, else with the plain sum of the session's own Raw.
 */
public final class ReceivedCheck {
    private static final int BLOCK_FRAMES = 16_384;

    private final Session session;
    private final Plan plan;
    private final List<Printing.Made> made;
    private final Path files;
    private final Recordings recordings;
    private final int threads;

    /** @param session as the handoff sees it */
    public ReceivedCheck(
            Session session, Plan plan, List<Printing.Made> made, Path files, Recordings recordings, int threads) {
        this.session = session;
        this.plan = plan;
        this.made = made;
        this.files = files;
        this.recordings = recordings;
        this.threads = threads;
    }

    /** One result for every section that has something to compare with. */
    public List<ReceivedProof> all(BooleanSupplier cancelled) throws IOException {
        List<ReceivedProof> proofs = new ArrayList<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            ReceivedProof proof = check(section, cancelled);
            if (proof != null) {
                proofs.add(proof);
            }
        }
        return proofs;
    }

    private ReceivedProof check(int index, BooleanSupplier cancelled) throws IOException {
        PlannedSection section = plan.sections().get(index);
        SumSet set = SumSet.of(session, plan, index);
        boolean meant = set.whyNot().isEmpty() && set.missing().isEmpty();
        List<Print> sounding = meant ? set.prints() : rawOnes(index);
        if (sounding.isEmpty() || sounding.stream().anyMatch(print -> !Files.exists(files.resolve(print.path())))) {
            return null;
        }
        List<String> paths = sounding.stream().map(Print::path).toList();
        Path work = Files.createTempDirectory("apodex-received-");
        Path sum = work.resolve("sum.wav");
        Path must = work.resolve("must.wav");
        try (ReceivedSession received =
                new ReceivedSession(plan, made, index, files, new HashSet<>(paths), ReceivedSession.Trims.TAKEN_BACK)) {
            walk(
                    received.session(),
                    new Passage(new FrameRange(0, section.frames()), 0, Passage.Tail.NONE),
                    received,
                    sum,
                    cancelled);
            if (meant) {
                Print reference = plan.reference(index).orElseThrow();
                return compare(section, "the reference mix", sum, files.resolve(reference.path()), paths);
            }
            Passage passage = section.passage();
            double tail = plan.rate().seconds(section.frames())
                    - session.rate()
                            .seconds(passage.leadInFrames() + passage.range().frames());
            walk(
                    plainly(sounding),
                    new Passage(passage.range(), passage.leadInFrames(), new Passage.Tail(Math.max(0, tail))),
                    recordings,
                    must,
                    cancelled);
            return compare(section, "the session’s own rows, laid together plainly", sum, must, paths);
        } finally {
            Files.deleteIfExists(sum);
            Files.deleteIfExists(must);
            Files.deleteIfExists(work);
        }
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
                                .filter(row -> row instanceof AudioRow
                                        || row instanceof InstrumentRow
                                        || row instanceof PartRow)
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
            } else if (row instanceof InstrumentRow) {
                rows.add(row.withStrip(Strip.feeding())); // it may play parts that are printed
            }
        }
        return session.withRows(rows).withPanLaw(PanLaw.ZERO);
    }

    /** Where a stereo row was printed as one file, because its sides are alike, one side stands for both here as well. */
    private Clip plainly(Clip clip, Print print) {
        Clip bare = clip.withInserts(List.of());
        boolean one = clip.channels() == 2
                && print.sides() == Channels.MONO_FROM_LEFT
                && made.get(plan.prints().indexOf(print)).placed() == Placed.MIDDLE;
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

    private void walk(Session from, Passage passage, Recordings source, Path to, BooleanSupplier cancelled)
            throws IOException {
        Tap tap = new Tap(
                MixRow.ID,
                Station.FADER,
                Channels.STEREO,
                SampleFormat.FLOAT32,
                plan.rate(),
                Tap.Container.WAV,
                0,
                to,
                null,
                0);
        new Walk(from, List.of(tap), passage, Sharing.STANDARD, source, threads).print(new WalkObserver() {
            @Override
            public void printed(double share) {
                // reading back has told already how far it is
            }

            @Override
            public boolean isCancelled() {
                return cancelled.getAsBoolean();
            }
        });
    }

    private ReceivedProof compare(PlannedSection section, String against, Path sum, Path must, List<String> paths)
            throws IOException {
        Leftover leftover = new Leftover(section.frames());
        Loudness loudness = new Loudness(plan.rate(), 2);
        double[][] heard = new double[2][BLOCK_FRAMES];
        double[][] wanted = new double[2][BLOCK_FRAMES];
        try (Laid one = new Laid(sum, Placed.MIDDLE, 0, BLOCK_FRAMES);
                Laid other = new Laid(must, Placed.MIDDLE, 0, BLOCK_FRAMES)) {
            for (long first = 0; first < section.frames(); first += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, section.frames() - first);
                one.read(first, count, heard);
                other.read(first, count, wanted);
                loudness.add(heard, count);
                for (int side = 0; side < 2; side++) {
                    for (int i = 0; i < count; i++) {
                        heard[side][i] -= wanted[side][i];
                    }
                }
                leftover.add(heard, first, count);
            }
        }
        boolean same = leftover.peak() <= SumCheck.limit(plan.depth().sample(), paths.size());
        long frame = section.inSession(leftover.loudestAt(), plan.rate(), session.rate());
        Double lufs = loudness.integratedLufs().isEmpty()
                ? null
                : loudness.integratedLufs().getAsDouble();
        return new ReceivedProof(
                section.name(),
                against,
                same,
                paths,
                leftover.rmsDbfs(),
                leftover.peakDbfs(),
                SongPlace.of(session, frame),
                lufs);
    }
}
