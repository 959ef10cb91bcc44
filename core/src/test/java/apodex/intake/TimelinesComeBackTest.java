package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.notes.MidiReader;
import apodex.notes.MidiSong;
import apodex.parcel.Parcel;
import apodex.parcel.ZipPieces;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.proof.RandomHandoff;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.Session;
import apodex.signal.WalkObserver;
import apodex.time.TempoMap;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What lays a parcel's files out in other programs, read by somebody who has lost its manifest. */
@Execution(ExecutionMode.CONCURRENT)
class TimelinesComeBackTest {
    @TempDir
    private Path folder;

    private RandomHandoff random;
    private Plan plan;
    private final Map<String, Path> files = new LinkedHashMap<>();

    static LongStream seeds() {
        return LongStream.range(900, 930);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyFileLiesWhereItShould(long seed) throws IOException {
        random = new RandomHandoff(seed, folder);
        Brief brief = Brief.BUILT_IN.get((int) (seed % Brief.BUILT_IN.size()));
        unpack(Handoff.named("Quayside Mix Room").with(brief));
        if (plan.prints().isEmpty()) {
            return;
        }
        liesAsSaid(laidOut("Timeline.otio"), true);
        liesAsSaid(laidOut("clips.csv"), false);
        tempoMap();
    }

    private void unpack(Handoff handoff) throws IOException {
        plan = Planner.plan(random.session, handoff, random.recordings);
        Path printed = Files.createDirectories(folder.resolve("printed"));
        Printing.Result result =
                Printing.print(random.session, handoff, plan, printed, random.recordings, 1, WalkObserver.NONE);
        Proof proof = Proving.prove(
                random.session, handoff, result, printed, random.recordings, 1, Map.of(), Proving.Told.NOTHING);
        plan = result.plan();
        ZipPieces zip = new Parcel(random.session, handoff, plan, proof, "")
                .zips(printed)
                .get(0);
        Path out = Files.createDirectories(folder.resolve("out"));
        try (InputStream in = zip.open(printed);
                ZipInputStream unzip = new ZipInputStream(in)) {
            for (ZipEntry entry = unzip.getNextEntry(); entry != null; entry = unzip.getNextEntry()) {
                Path file = out.resolve(entry.getName());
                Files.createDirectories(file.getParent());
                Files.copy(unzip, file);
                files.put(entry.getName(), file);
            }
        }
    }

    /** The sounds and one paper, as a drop; the session that comes of it. */
    private Session laidOut(String paper) throws IOException {
        Path here = Files.createDirectories(folder.resolve(paper + "-drop"));
        RecordingStore store = new RecordingStore(here.resolve("store"));
        Drop drop = new Drop(Files.createDirectories(here.resolve("work")));
        for (var print : plan.prints()) {
            Path copy = here.resolve("came" + plan.prints().indexOf(print));
            Files.copy(files.get(print.path()), copy);
            drop.add(print.folder(), print.file(), copy);
        }
        Path list = here.resolve("list");
        Files.copy(files.get("Sheet/" + paper), list);
        drop.add("Sheet", paper, list);
        Intake intake = new DropExaminer(store, drop).examine("?", Files.createDirectories(here.resolve("kept")));
        assertThat(intake.remarks()).as("%s", intake.remarks()).isEmpty();
        return new SessionFromIntake(store, intake, Files.createDirectories(here.resolve("making")))
                .make(here.resolve("kept"), LocalDate.of(2026, 5, 17));
    }

    private void liesAsSaid(Session back, boolean marked) {
        List<Clip> clips = new ArrayList<>();
        back.audioRows().stream().map(AudioRow::clips).forEach(clips::addAll);
        assertThat(clips).as("a file a row").hasSameSizeAs(plan.prints());
        assertThat(clips).allSatisfy(clip -> {
            assertThat(clip.position()).isZero();
            assertThat(clip.offset()).isZero();
            assertThat(clip.frames()).isEqualTo(plan.sections().get(0).frames());
        });
        if (marked) {
            PlannedSection section = plan.sections().get(0);
            assertThat(back.markers().stream().map(Marker::frame))
                    .containsExactlyElementsOf(random.session.markers().stream()
                            .map(Marker::frame)
                            .filter(frame -> frame >= section.passage().range().start()
                                    && frame < section.passage().range().end())
                            .map(frame -> frame
                                    - section.passage().range().start()
                                    + section.passage().leadInFrames())
                            .sorted()
                            .toList());
        }
    }

    /** A beat of the tempo map falls where the song has it, to what a tick and a microsecond a quarter leave open. */
    private void tempoMap() throws IOException {
        MidiSong song = MidiReader.read(files.get("Sheet/Tempo map.mid"));
        var before = random.session.song().timeline();
        TempoMap after = new TempoMap(song.tempos(), song.meters());
        double leadIn =
                random.session.rate().seconds(plan.sections().get(0).passage().leadInFrames());
        double ahead = after.quarterAt(leadIn);
        double last = before.quarterOf(plan.sections().get(0).passage().range().end(), random.session.rate());
        for (double quarter = 0; quarter < last; quarter += 0.5) {
            assertThat(after.secondsAt(quarter + ahead) - leadIn)
                    .as("quarter %s", quarter)
                    .isCloseTo(before.secondsAt(quarter), within(2e-3));
        }
    }
}
