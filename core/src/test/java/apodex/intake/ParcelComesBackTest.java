package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.handoff.Brief;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.handoff.Settings;
import apodex.parcel.Parcel;
import apodex.parcel.ZipPieces;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.proof.RandomHandoff;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.SessionRules;
import apodex.session.Station;
import apodex.signal.MeasuredRecordings;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Parcels of random sessions, printed for every built-in brief, come back verified, row for row and sample for sample. */
@Execution(ExecutionMode.CONCURRENT)
class ParcelComesBackTest {
    private static final long CASES = Long.getLong("apodex.parcels.cases", 60);

    private static final AtomicInteger ADDED_UP = new AtomicInteger();
    private static final AtomicInteger TWINS = new AtomicInteger();
    private static final AtomicInteger AS_IT_WAS = new AtomicInteger();

    @TempDir
    private Path folder;

    private Plan plan;

    static LongStream seeds() {
        return LongStream.range(300, 300 + CASES);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyFileIsVerifiedAndLiesWhereItLay(long seed) throws IOException {
        RandomHandoff random = new RandomHandoff(seed, folder);
        Brief brief = Brief.BUILT_IN.get((int) (seed % Brief.BUILT_IN.size()));
        Handoff handoff = seed % 2 == 0
                ? random.handoff
                : Handoff.named("Quayside Mix Room").with(brief);
        List<ZipPieces> zips = pack(random, handoff);
        if (plan.prints().isEmpty()) {
            return;
        }
        RecordingStore store = new RecordingStore(folder.resolve("store"));
        Intake intake = examine(store, zips);
        assertThat(intake.parcel()).isNotNull();
        assertThat(intake.parcel().isWhole()).as("%s", intake.parcel()).isTrue();
        assertThat(intake.parcel().extra()).isEmpty();
        assertThat(intake.parcel().verified()).isGreaterThan(plan.prints().size());
        assertThat(intake.title()).isEqualTo(random.session.song().title());
        Session back = new SessionFromIntake(store, intake, Files.createDirectories(folder.resolve("making")))
                .make(folder.resolve("kept"), LocalDate.of(2026, 5, 17));
        List<String> used = back.recordings().stream().map(Recording::sha256).toList();
        for (IntakeFile file : intake.sounds()) {
            if (file.seat().use() != Seat.Use.LEFT_OUT && file.seat().side() == Seat.Side.WHOLE) {
                assertThat(used).contains(file.recording().sha256());
            }
        }
        for (Print print : plan.prints()) {
            String inside = lastOf(print.folder());
            assertThat(intake.sounds().stream()
                            .filter(file -> file.name().equals(print.file()))
                            .filter(file -> file.folder().isEmpty() || (file.folder() + "/").endsWith(inside)))
                    .as(print.path())
                    .anySatisfy(file -> {
                        assertThat(file.station())
                                .isEqualTo(
                                        print.isClick()
                                                ? "click"
                                                : print.station().label());
                        assertThat(file.seat().place().frame() + intake.start())
                                .isEqualTo(plan.section(print).startReference());
                        assertThat(file.seat().use() == Seat.Use.REFERENCE).isEqualTo(print.isReference());
                    });
        }
        assertThat(back.audioRows().stream().filter(row -> row.about().role() == Role.REFERENCE))
                .allSatisfy(row -> assertThat(row.strip().outputs()).isEmpty());
        assertThat(back.song().tempo()).isEqualTo(random.session.song().tempo());
        assertThat(back.song().tempoChanges()).isEqualTo(random.session.song().tempoChanges());
        addsUpAsItDid(back, store, intake);
        comesBackAsItWas(store, intake);
    }

    /** What was printed at several stations of a row can all be on that row again, each at its station. */
    private void comesBackAsItWas(RecordingStore store, Intake intake) throws IOException {
        Optional<Correction> asTwins = Questions.of(intake).stream()
                .filter(question -> question.kind() == Question.Kind.STATIONS)
                .map(question -> question.answers().get(0).correction())
                .findFirst();
        if (asTwins.isEmpty()) {
            return;
        }
        TWINS.incrementAndGet();
        Intake whole = asTwins.get().applyTo(intake);
        Session back = new SessionFromIntake(store, whole, Files.createDirectories(folder.resolve("twins")))
                .make(folder.resolve("kept"), LocalDate.of(2026, 5, 17));
        List<String> used = back.rows().stream()
                .flatMap(row -> row.allClips().stream())
                .map(Clip::recording)
                .toList();
        Set<String> several = intake.sounds().stream()
                .filter(file -> Station.called(file.station()).isPresent() && !isReference(file))
                .collect(Collectors.groupingBy(
                        file -> file.seat().row(), Collectors.mapping(IntakeFile::station, Collectors.toSet())))
                .entrySet()
                .stream()
                .filter(row -> row.getValue().size() > 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        for (IntakeFile file : intake.sounds()) {
            boolean meant =
                    several.contains(file.seat().row()) && !file.station().equals(Station.MIX.label());
            if (meant && !isReference(file) && file.seat().side() == Seat.Side.WHOLE) {
                assertThat(used).as(file.name()).contains(file.recording().sha256());
            }
        }
        assertThat(Questions.of(whole)).noneMatch(question -> question.kind() == Question.Kind.STATIONS);
    }

    private static boolean isReference(IntakeFile file) {
        return file.seat().use() == Seat.Use.REFERENCE;
    }

    @AfterAll
    static void someAddedUp() {
        assertThat(ADDED_UP.get()).isGreaterThan((int) (CASES / 25));
        assertThat(TWINS.get()).isGreaterThan((int) (CASES / 25));
        assertThat(AS_IT_WAS.get()).isGreaterThan((int) (CASES / 2));
    }

    private static String lastOf(String folder) {
        return folder.substring(folder.lastIndexOf('/') + 1) + "/";
    }

    private boolean addedUp;
    private double limit;

    /** Where the printed files added up to the reference, the rows of the session that came back do. */
    private void addsUpAsItDid(Session back, RecordingStore store, Intake intake) throws IOException {
        boolean oneStation =
                intake.sounds().stream().noneMatch(file -> file.seat().use() == Seat.Use.LEFT_OUT);
        IntakeFile reference = intake.reference().orElse(null);
        if (!addedUp || !oneStation || reference == null || plan.sections().size() > 1) {
            return;
        }
        ADDED_UP.incrementAndGet();
        double[][] sum = read(store, reference.recording().sha256());
        long from = back.audioRows().stream()
                .filter(row -> row.about().role() == Role.REFERENCE)
                .map(row -> row.clips().get(0).position())
                .findFirst()
                .orElseThrow();
        double peak = 1e-9;
        for (double[] side : sum) {
            for (double sample : side) {
                peak = Math.max(peak, Math.abs(sample));
            }
        }
        for (AudioRow row : back.audioRows()) {
            if (row.about().role() == Role.REFERENCE || row.about().role() == Role.CLICK) {
                continue;
            }
            for (Clip clip : row.clips()) {
                double[][] samples = read(store, clip.recording());
                assertThat(clip.position()).isEqualTo(from);
                for (int c = 0; c < 2; c++) {
                    for (int i = 0; i < sum[c].length; i++) {
                        sum[c][i] -= samples[c][i];
                    }
                }
            }
        }
        for (double[] side : sum) {
            for (double sample : side) {
                assertThat(Math.abs(sample)).isLessThan(peak * 1e-6 + limit);
            }
        }
    }

    /** A mix, and where it begins, counted from midnight. */
    private record Mix(long start, double[][] sound) {
        double at(int channel, long frame) {
            long i = frame - start;
            return i >= 0 && i < sound[channel].length ? sound[channel][(int) i] : 0;
        }
    }

    /** With the document in the parcel, its buses, effects, moves and sends make the mix again, of what was printed. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theSessionItWasSoundsAsItDid(long seed) throws IOException {
        RandomHandoff random = new RandomHandoff(seed, folder);
        boolean dry = random.session.rows().stream()
                .allMatch(row -> row.strip().brought().isEmpty());
        Map<RowKind, List<Station>> stations = new EnumMap<>(RowKind.class);
        List.of(RowKind.AUDIO, RowKind.INSTRUMENT, RowKind.PART)
                .forEach(kind -> stations.put(
                        kind,
                        dry
                                ? List.of(Station.RAW)
                                : List.of(Station.RAW, Station.SHAPED, Station.INSERTS, Station.FADER, Station.BUS)));
        stations.put(RowKind.MIX, List.of(Station.FADER));
        Settings settings = Settings.OPEN
                .withDepth(Depth.FLOAT32)
                .withExtras(false, false, false, true)
                .withEdits(seed % 3 == 0, 0.01);
        Handoff handoff = Handoff.named("archive").with(new Brief("All", Brief.Rows.ALL, stations, settings));
        // what swings begins to with the first sound, and a file begins with the silence before it
        boolean swings = random.session.rows().stream()
                .flatMap(row -> row.strip().inserts().stream())
                .anyMatch(insert -> insert.settings().containsKey("rateHz"));
        boolean named = random.session.rows().stream().map(Row::name).distinct().count()
                == random.session.rows().size();
        List<ZipPieces> zips = pack(random, handoff);
        if (!named || swings || plan.prints().stream().noneMatch(Print::isReference)) {
            return;
        }
        Mix before = mix(random.session, random.recordings, "before");
        RecordingStore store = new RecordingStore(folder.resolve("store"));
        Intake intake = examine(store, zips);
        if (intake.along() == null) {
            assertThat(plan.edits().isEmpty()).isTrue();
            assertThat(plan.prints()).noneMatch(print -> random.session
                    .row(print.row())
                    .filter(row -> row.kind().isSource() && !print.isClick())
                    .isPresent());
            return;
        }
        Correction taken = Questions.of(intake).get(0).answers().get(0).correction();
        Session back = new SessionFromIntake(
                        store, taken.applyTo(intake), Files.createDirectories(folder.resolve("making")))
                .make(folder.resolve("kept"), LocalDate.of(2026, 5, 17));
        assertThat(taken.applyTo(intake).rowCount()).isEqualTo(back.rows().size() - 1);
        SessionRules.checked(back);
        Mix after = mix(back, store, "after");
        double peak = 1e-3;
        for (double[] side : before.sound) {
            for (double sample : side) {
                peak = Math.max(peak, Math.abs(sample));
            }
        }
        for (int c = 0; c < 2; c++) {
            for (long i = before.start; i < before.start + before.sound[c].length; i++) {
                assertThat(after.at(c, i))
                        .as("frame %d", i - before.start)
                        .isCloseTo(before.at(c, i), within(peak * 1e-5));
            }
        }
        AS_IT_WAS.incrementAndGet();
    }

    private Mix mix(Session session, MeasuredRecordings sounds, String name) throws IOException {
        Handoff asked = Handoff.named(name)
                .with(new Brief(
                        "Mix", Brief.Rows.ALL, Brief.FOR_MIXING.stations(), Settings.OPEN.withDepth(Depth.FLOAT32)));
        Plan of = Planner.plan(session, asked, sounds);
        Path printed = Files.createDirectories(folder.resolve(name));
        Printing.print(session, asked, of, printed, sounds, 1, WalkObserver.NONE);
        Print mix = of.prints().stream().filter(Print::isReference).findFirst().orElseThrow();
        Path file = printed.resolve(mix.path());
        var info = SoundFile.examine(file);
        double[][] samples = new double[2][(int) info.frames()];
        try (PcmReader in = new PcmReader(file, info)) {
            in.read(0, (int) info.frames(), 0, samples, 0);
        }
        return new Mix(of.sections().get(0).startReference(), samples);
    }

    private static double[][] read(RecordingStore store, String sha256) throws IOException {
        try (PcmReader in = store.open(sha256)) {
            double[][] samples = new double[in.layout().channels()][(int) in.frames()];
            in.read(0, (int) in.frames(), 0, samples, 0);
            return samples;
        }
    }

    private List<ZipPieces> pack(RandomHandoff random, Handoff handoff) throws IOException {
        plan = Planner.plan(random.session, handoff, random.recordings);
        Path printed = Files.createDirectories(folder.resolve("printed"));
        Printing.Result result =
                Printing.print(random.session, handoff, plan, printed, random.recordings, 1, WalkObserver.NONE);
        Proof proof = Proving.prove(
                random.session, handoff, result, printed, random.recordings, 1, Map.of(), Proving.Told.NOTHING);
        plan = result.plan();
        addedUp = handoff.brief().stations().equals(Brief.GROUPS.stations())
                && proof.sums().size() == 1
                && proof.sums().get(0).whyNot().isEmpty()
                && proof.sums().get(0).addsUp()
                && plan.prints().stream().allMatch(print -> print.trimDb() == 0 && print.channels() == 2);
        limit = addedUp ? Math.pow(10, proof.sums().get(0).limitDbfs() / 20) : 0;
        String document =
                SessionDocument.write(new SessionFile.Document(SessionFile.FORM, 1, List.of(), random.session));
        return new Parcel(random.session, handoff, plan, proof, document).zips(printed);
    }

    private Intake examine(RecordingStore store, List<ZipPieces> zips) throws IOException {
        Drop drop = new Drop(Files.createDirectories(folder.resolve("work")));
        for (ZipPieces zip : zips) {
            Path file = folder.resolve("came-" + zip.name());
            try (InputStream in = zip.open(folder.resolve("printed"))) {
                Files.copy(in, file);
            }
            drop.add(zip.name(), file);
        }
        return new DropExaminer(store, drop).examine("?", Files.createDirectories(folder.resolve("kept")));
    }
}
