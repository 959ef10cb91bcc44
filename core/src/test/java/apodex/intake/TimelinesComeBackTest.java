package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.FlacFile;
import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.notes.MidiReader;
import apodex.notes.MidiSong;
import apodex.parcel.Unpacked;
import apodex.proof.RandomHandoff;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.Session;
import apodex.signal.WalkedFiles;
import apodex.time.TempoMap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.LongStream;
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
    private Path parcel;

    static LongStream seeds() {
        return LongStream.range(900, 930);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyFileLiesWhereItShould(long seed) throws IOException {
        random = new RandomHandoff(seed, folder);
        Brief brief = Brief.BUILT_IN.get((int) (seed % Brief.BUILT_IN.size()));
        Unpacked unpacked =
                Unpacked.of(random.session, Handoff.named("Quayside Mix Room").with(brief), random.recordings, folder);
        plan = unpacked.plan();
        parcel = unpacked.root();
        if (plan.prints().isEmpty()) {
            return;
        }
        liesAsSaid(laidOut("Timeline.otio"), true);
        liesAsSaid(laidOut("clips.csv"), false);
        tempoMap();
        beat();
    }

    /** The sounds and one paper, as a drop; the session that comes of it. */
    private Session laidOut(String paper) throws IOException {
        Path here = Files.createDirectories(folder.resolve(paper + "-drop"));
        RecordingStore store = new RecordingStore(here.resolve("store"));
        Drop drop = new Drop(Files.createDirectories(here.resolve("work")));
        for (var print : plan.prints()) {
            Path copy = here.resolve("came" + plan.prints().indexOf(print));
            Files.copy(parcel.resolve(print.path()), copy);
            drop.add(print.folder(), print.file(), copy);
        }
        Path list = here.resolve("list");
        Files.copy(parcel.resolve("Sheet/" + paper), list);
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

    /** A click where every bar begins, in a file as long as the others. */
    private void beat() throws IOException {
        if (plan.beats().get(0).isEmpty()) {
            return;
        }
        PlannedSection section = plan.sections().get(0);
        Path sound = folder.resolve("beat.wav");
        FlacFile.decode(parcel.resolve(plan.beats().get(0)), sound);
        double[] click = WalkedFiles.read(sound)[0];
        assertThat(click).hasSize((int) section.frames());
        TempoMap map = random.session.song().timeline();
        double ratio = (double) plan.rate().hertz() / random.session.rate().hertz();
        for (int bar = 1; bar < 100; bar++) {
            long frame = map.frameOf(map.quarterOfBar(bar), random.session.rate());
            int at = (int) Math.round((frame
                            - section.passage().range().start()
                            + section.passage().leadInFrames())
                    * ratio);
            int end = at + plan.rate().hertz() / 100;
            boolean isIn = frame >= section.passage().range().start()
                    && frame < section.passage().range().end();
            if (!isIn || end > click.length) {
                continue;
            }
            double loudest = Arrays.stream(click, at, end).map(Math::abs).max().orElse(0);
            assertThat(loudest).as("bar %s", bar).isGreaterThan(0.05);
        }
    }

    /** A beat of the tempo map falls where the song has it, to what a tick and a microsecond a quarter leave open. */
    private void tempoMap() throws IOException {
        MidiSong song = MidiReader.read(parcel.resolve("Sheet/Tempo map.mid"));
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
