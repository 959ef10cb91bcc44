package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.handoff.Brief;
import apodex.handoff.Depth;
import apodex.handoff.Edits.EditedRow;
import apodex.handoff.Handoff;
import apodex.handoff.Settings;
import apodex.parcel.Unpacked;
import apodex.proof.RandomHandoff;
import apodex.proof.Verdict;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Take;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Recordings;
import apodex.signal.Sharing;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import apodex.signal.WalkedFiles;
import apodex.time.FrameRange;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Edits go out as pieces of recordings with a timeline and a list; either makes the same rows again, to the sample. */
@Execution(ExecutionMode.CONCURRENT)
class EditsComeBackTest {
    private static final long CASES = Long.getLong("apodex.edits.cases", 30);
    private static final List<Double> HANDLES = List.of(0.0, 0.05, 30.0);

    @TempDir
    private Path folder;

    private Session session;
    private Recordings recordings;
    private Unpacked parcel;

    static LongStream seeds() {
        return LongStream.range(2_000, 2_000 + CASES);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theSameRowsComeBack(long seed) throws IOException {
        RandomHandoff random = new RandomHandoff(seed, folder);
        recordings = random.recordings;
        session = seed % 2 == 0 ? random.session : ofOneSide(random.session);
        Handoff handoff = Handoff.named("Quayside Edit Suite")
                .with(Brief.FOR_MIXING)
                .with(Settings.OPEN
                        .withFormat(seed % 5 == 0 ? FileKind.FLAC : seed % 5 == 1 ? FileKind.AIFF : FileKind.WAV)
                        .withEdits(true, HANDLES.get((int) (seed % 3)))
                        .withExtras(true, false, false, false));
        if (seed % 5 == 0) {
            handoff = handoff.with(handoff.settings().withDepth(Depth.INT24));
        }
        parcel = Unpacked.of(session, handoff, random.recordings, folder);
        assertThat(parcel.plan().prints())
                .as("no file of Raw is printed of what goes out as edits")
                .noneMatch(print ->
                        print.station() == Station.RAW && parcel.plan().edits().hold(print.row()));
        if (parcel.plan().edits().excerpts().isEmpty()) {
            return;
        }
        assertThat(parcel.proof().verdicts())
                .extracting(Verdict::headline, Verdict::grade)
                .contains(tuple("Edits as recorded", Verdict.Grade.GOOD));
        comesBack(intake("Sheet/Edits.otio", false));
        comesBack(intake("Sheet/edits.csv", false));
        comesBack(intake("", true));
    }

    /** Clips of stereo recordings use their right channel alone. */
    private static Session ofOneSide(Session of) {
        return of.withRows(of.rows().stream()
                .map(row ->
                        row instanceof AudioRow audio && audio.strip().brought().isEmpty()
                                ? audio.withAllClips(clips -> clips.stream()
                                        .map(clip -> clip.channels() == 1
                                                ? clip
                                                : new Clip(
                                                        clip.recording(),
                                                        1,
                                                        1,
                                                        clip.position(),
                                                        clip.offset(),
                                                        clip.frames(),
                                                        clip.gainDb(),
                                                        clip.fadeIn(),
                                                        clip.fadeOut(),
                                                        clip.inserts(),
                                                        clip.muted(),
                                                        clip.inverted()))
                                        .toList())
                                : row)
                .toList());
    }

    /** @param whole all of the parcel, or else the excerpts and one paper */
    private Session intake(String paper, boolean whole) throws IOException {
        Path here = Files.createTempDirectory(folder, "back");
        Drop drop = new Drop(Files.createDirectories(here.resolve("work")));
        List<String> paths = new ArrayList<>();
        if (whole) {
            try (var all = Files.walk(parcel.root())) {
                all.filter(Files::isRegularFile)
                        .forEach(
                                file -> paths.add(parcel.root().relativize(file).toString()));
            }
        } else {
            parcel.plan().edits().excerpts().forEach(excerpt -> paths.add(excerpt.path()));
            paths.add(paper);
        }
        for (String path : paths) {
            int slash = path.lastIndexOf('/');
            Path copy = here.resolve("came" + paths.indexOf(path));
            Files.copy(parcel.root().resolve(path), copy);
            drop.add(path.substring(0, Math.max(0, slash)), path.substring(slash + 1), copy);
        }
        RecordingStore store = new RecordingStore(here.resolve("store"));
        Intake intake = new DropExaminer(store, drop).examine("?", Files.createDirectories(here.resolve("kept")));
        assertThat(intake.remarks()).as("%s", intake.remarks()).isEmpty();
        if (whole) {
            assertThat(intake.parcel().isWhole()).as("%s", intake.parcel()).isTrue();
        }
        back = store;
        intakeRows = intake.rowCount();
        return new SessionFromIntake(store, intake, Files.createDirectories(here.resolve("making")))
                .make(here.resolve("kept"), LocalDate.of(2026, 5, 17));
    }

    private Recordings back;
    private int intakeRows;

    private void comesBack(Session came) throws IOException {
        assertThat(came.rows().stream()
                        .filter(row -> row.kind().isSource() && row.about().role() != Role.REFERENCE))
                .as("as many as intake says")
                .hasSize(intakeRows);
        for (EditedRow edited : parcel.plan().edits().rows()) {
            AudioRow before = (AudioRow) session.row(edited.row()).orElseThrow();
            if (before.takes().stream()
                    .filter(take -> edited.takes().contains(take.id()))
                    .allMatch(take -> take.clips().isEmpty())) {
                continue;
            }
            List<AudioRow> called = came.audioRows().stream()
                    .filter(row -> row.name().equals(before.name()))
                    .toList();
            assertThat(called).as("%s once", before.name()).hasSize(1);
            AudioRow after = called.get(0);
            for (String id : edited.takes()) {
                Take take = take(before, id);
                if (take.clips().isEmpty()) {
                    continue;
                }
                Take same = after.takes().stream()
                        .filter(each -> each.name().equals(take.name()))
                        .findFirst()
                        .orElseThrow();
                assertThat(same.id().equals(after.active())).isEqualTo(id.equals(before.active()));
                assertThat(same.clips().stream().map(EditsComeBackTest::written))
                        .containsExactlyInAnyOrderElementsOf(take.clips().stream()
                                .map(EditsComeBackTest::written)
                                .toList());
                assertThat(raw(came, after.withTakes(after.takes(), same.id()), back))
                        .isDeepEqualTo(raw(session, before.withTakes(before.takes(), id), recordings));
            }
        }
    }

    private static Take take(AudioRow row, String id) {
        return row.takes().stream()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** All of a clip that a list tells. */
    private static String written(Clip clip) {
        return String.join(
                " ",
                List.of(
                        clip.position() + "+" + clip.frames(),
                        clip.gainDb() + " dB",
                        clip.fadeIn().frames() == 0 ? "" : clip.fadeIn().toString(),
                        clip.fadeOut().frames() == 0 ? "" : clip.fadeOut().toString(),
                        clip.channels() + " of it",
                        clip.muted() ? "muted" : "",
                        clip.inverted() ? "reversed" : ""));
    }

    /** What is on a row, as samples. */
    private double[][] raw(Session of, Row row, Recordings from) throws IOException {
        Path file = Files.createTempDirectory(folder, "raw").resolve("raw.wav");
        new Walk(
                        of.withRow(row.id(), before -> row),
                        List.of(new Tap(
                                row.id(),
                                Station.RAW,
                                Channels.STEREO,
                                SampleFormat.FLOAT32,
                                of.rate(),
                                FileKind.WAV,
                                0,
                                file,
                                null,
                                0)),
                        new Passage(new FrameRange(0, session.frames()), 0, new Passage.Tail(0.0)),
                        Sharing.STANDARD,
                        from,
                        1)
                .print(WalkObserver.NONE);
        return WalkedFiles.read(file);
    }
}
