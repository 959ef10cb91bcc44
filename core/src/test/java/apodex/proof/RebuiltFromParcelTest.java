package apodex.proof;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.effect.Effects;
import apodex.handoff.Brief;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.handoff.Settings;
import apodex.parcel.Manifest;
import apodex.parcel.RowSetup;
import apodex.parcel.Unpacked;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Key;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Somebody who has nothing but the parcel makes the mix again: from its files, and from what its manifest says of rows. */
@Execution(ExecutionMode.CONCURRENT)
class RebuiltFromParcelTest {
    private static final long CASES = Long.getLong("apodex.rebuilt.cases", 60);
    private static final AtomicInteger REBUILT = new AtomicInteger();
    private static final double TENTH_OF_A_DB = Math.pow(10, 0.1 / 20) - 1;

    @TempDir
    private Path folder;

    private Path parcel;
    private Manifest manifest;

    static LongStream seeds() {
        return LongStream.range(700, 700 + CASES);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theMixIsMadeAgain(long seed) throws IOException {
        RandomHandoff random = new RandomHandoff(seed, folder);
        if (random.session.rows().stream().anyMatch(RebuiltFromParcelTest::cannotBeBuilt)) {
            return;
        }
        unpack(random);
        Manifest.Entry reference = manifest.files().stream()
                .filter(Manifest.Entry::reference)
                .findFirst()
                .orElse(null);
        if (reference == null) {
            return;
        }
        double[][] before = read(parcel.resolve(reference.path()));
        double[][] after = mix(rebuilt());
        double peak = 1e-3;
        double off = 0;
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < Math.min(before[c].length, after[c].length); i++) {
                peak = Math.max(peak, Math.abs(before[c][i]));
                off = Math.max(off, Math.abs(before[c][i] - after[c][i]));
            }
        }
        assertThat(off / peak).as("largest difference as a share of the peak").isLessThan(TENTH_OF_A_DB);
        REBUILT.incrementAndGet();
    }

    @AfterAll
    static void manyWere() {
        assertThat(REBUILT.get()).isGreaterThan((int) (CASES / 4));
    }

    /** What was rendered elsewhere, what is not of the house, and what begins to swing with the first sound. */
    private static boolean cannotBeBuilt(Row row) {
        return !row.strip().brought().isEmpty()
                || row.strip().inserts().stream()
                        .anyMatch(insert -> Effects.find(insert.effect()).isEmpty()
                                || insert.settings().containsKey("rateHz")
                                || insert.effect().equals("doubler"));
    }

    /** Sources dry, and with all their effects; at a depth that loses nothing. */
    private void unpack(RandomHandoff random) throws IOException {
        Map<RowKind, List<Station>> stations = new EnumMap<>(RowKind.class);
        for (RowKind kind : List.of(RowKind.AUDIO, RowKind.INSTRUMENT, RowKind.PART)) {
            stations.put(kind, List.of(Station.RAW, Station.INSERTS));
        }
        stations.put(RowKind.MIX, List.of(Station.FADER));
        Handoff handoff = Handoff.named("Quayside Mix Room")
                .with(new Brief("Dry and wet", Brief.Rows.ALL, stations, Settings.OPEN.withDepth(Depth.FLOAT32)));
        parcel = Unpacked.of(random.session, handoff, random.recordings, folder).root();
        manifest = Manifest.read(parcel.resolve("Sheet/manifest.json"));
    }

    private TestRecordings recordings;

    private Session rebuilt() throws IOException {
        recordings = new TestRecordings(Files.createDirectories(folder.resolve("received")));
        List<Recording> received = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        for (RowSetup setup : manifest.rows()) {
            List<Insert> inserts = setup.inserts().stream()
                    .map(each -> new Insert(each.effect(), each.settings(), each.key(), each.kept(), each.on()))
                    .toList();
            Strip strip = Strip.feeding(setup.outputs().toArray(String[]::new))
                    .withFader(setup.faderDb(), setup.pan())
                    .withMuteAndSolo(setup.muted(), false)
                    .withMoves(moves(setup.faderMoves()), moves(setup.panMoves()))
                    .withSends(setup.sends().stream()
                            .map(send -> new Send(send.to(), send.levelDb(), send.from()))
                            .toList());
            switch (setup.kind()) {
                case "bus" -> rows.add(new BusRow(setup.id(), setup.name(), strip.withInserts(inserts)));
                case "return" -> rows.add(new ReturnRow(setup.id(), setup.name(), strip.withInserts(inserts)));
                case "mix" -> rows.add(new MixRow(MixRow.ID, setup.name(), strip.withInserts(inserts)));
                default -> {
                    List<Manifest.Entry> files = files(setup, "Raw");
                    List<Manifest.Entry> last = files(setup, "Inserts").isEmpty()
                            ? files(setup, "Shaped") // nothing of its own comes after those on clips
                            : files(setup, "Inserts");
                    boolean wet = setup.clipInserts() && !last.isEmpty();
                    files = wet ? last : files;
                    List<Clip> clips = new ArrayList<>();
                    if (!files.isEmpty()) {
                        Recording sound = sound(setup, files);
                        received.add(sound);
                        clips.add(new Clip(
                                sound.sha256(),
                                0,
                                sound.channels(),
                                0,
                                0,
                                sound.frames(),
                                -files.get(0).trimDb(),
                                0,
                                0));
                    }
                    rows.add(new AudioRow(setup.id(), setup.name(), clips, wet ? strip : strip.withInserts(inserts)));
                }
            }
        }
        rows.sort((one, other) -> Boolean.compare(one instanceof MixRow, other instanceof MixRow));
        Song song = new Song(
                manifest.song(),
                manifest.artist(),
                manifest.tempo(),
                manifest.meter() == null ? null : Meter.parse(manifest.meter()),
                manifest.key() == null ? null : Key.parse(manifest.key()),
                manifest.tempoChanges(),
                manifest.meterChanges());
        PanLaw law = Arrays.stream(PanLaw.values())
                .filter(each -> each.centreDb() == manifest.panLawDb())
                .findFirst()
                .orElseThrow();
        return new Session(
                song, new SampleRate(manifest.sessionRate()), 0, "2026-05-17", law, List.of(), received, rows);
    }

    private List<Manifest.Entry> files(RowSetup setup, String station) {
        return manifest.files().stream()
                .filter(file -> file.rowId().equals(setup.id())
                        && file.station().equals(station)
                        && file.row().replaceFirst(" (left|right)$", "").equals(setup.name()))
                .toList();
    }

    private static List<Move> moves(List<RowSetup.Point> points) {
        return points.stream()
                .map(point -> new Move(point.frame(), point.value()))
                .toList();
    }

    /** As wide as it was: both sides from one where they are alike, silence where there was none. */
    private Recording sound(RowSetup setup, List<Manifest.Entry> files) throws IOException {
        double[][] first = read(parcel.resolve(files.get(0).path()));
        int channels = Math.max(first.length, files.get(0).sessionChannels());
        double[] interleaved = new double[channels * first[0].length];
        for (Manifest.Entry file : files) {
            double[][] samples = read(parcel.resolve(file.path()));
            for (int i = 0; i < samples[0].length; i++) {
                for (int c = 0; c < channels; c++) {
                    boolean silent = channels == 2
                            && (file.placed().equals("left") && c == 1
                                    || file.placed().equals("right") && c == 0);
                    interleaved[i * channels + c] += silent ? 0 : samples[Math.min(c, samples.length - 1)][i];
                }
            }
        }
        return recordings.add(
                setup.id(),
                SoundBytes.riff()
                        .format(3, channels, manifest.sessionRate(), 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, interleaved))
                        .wave());
    }

    private double[][] mix(Session session) throws IOException {
        Handoff handoff = Handoff.named("again")
                .with(new Brief(
                        "Mix", Brief.Rows.ALL, Brief.FOR_MIXING.stations(), Settings.OPEN.withDepth(Depth.FLOAT32)));
        Plan plan = Planner.plan(session, handoff, recordings);
        Path printed = Files.createDirectories(folder.resolve("again"));
        Printing.print(session, handoff, plan, printed, recordings, 1, WalkObserver.NONE);
        Print mix =
                plan.prints().stream().filter(Print::isReference).findFirst().orElseThrow();
        return read(printed.resolve(mix.path()));
    }

    private static double[][] read(Path file) throws IOException {
        var info = SoundFile.examine(file);
        double[][] samples = new double[info.channels()][(int) info.frames()];
        try (PcmReader in = new PcmReader(file, info)) {
            in.read(0, (int) info.frames(), 0, samples, 0);
        }
        return samples;
    }
}
