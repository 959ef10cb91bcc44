package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Tap;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class PlannerTest {
    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private final List<Recording> used = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    @BeforeEach
    void begin() {
        recordings = new TestRecordings(folder);
    }

    @Test
    void aPathSomeSystemsCannotHoldIsRefusedByName() throws IOException {
        Recording sound = add(recordings.add("sound", 1, 24, 5, 6));
        row("n".repeat(95), Clip.whole(sound, 0, 1, 0));
        Stretch all = new Stretch(
                new Stretch.Point(Stretch.CountedIn.SECONDS, 0), new Stretch.Point(Stretch.CountedIn.SECONDS, 1));
        plan(Handoff.named("x").withSections(List.of(new Section("s".repeat(80), all), new Section("short", all))));
        assertThatThrownBy(() -> plan(Handoff.named("x")
                        .withSections(List.of(new Section("s".repeat(100), all), new Section("short", all)))))
                .hasMessageStartingWith("“" + "s".repeat(100) + "/Tracks/01_nnn")
                .hasMessageContaining("too long a path for some systems");
    }

    @Test
    void aRowsSidesAreMeasuredOverTheStretchesItsClipsUse() throws IOException {
        Recording same = recordings.add("same", 2, 24, 5, 5, 6, 6, 1_000, -1_000);
        row("all of it", new Clip("same", 0, 2, 0, 0, 3, 0, 0, 0));
        row("only where both sides are the same", new Clip("same", 0, 2, 0, 0, 2, 0, 0, 0));
        Recording left = recordings.add("left", 2, 24, 9, 0, 9, 0);
        Recording right = recordings.add("right", 2, 24, 0, 9, 0, 9);
        row("left", Clip.whole(left, 0, 2, 0));
        row("right", Clip.whole(right, 0, 2, 0));
        row("left, then right", Clip.whole(left, 0, 2, 0), Clip.whole(right, 0, 2, 2));
        row("nothing");
        row("silence", Clip.whole(add(recordings.add("zeros", 1, 24, 0, 0)), 0, 1, 0));
        used.addAll(List.of(same, left, right));
        Plan plan = plan(Handoff.named("x"));
        assertThat(plan.rows())
                .extracting(PlanRow::image)
                .containsExactly(
                        StereoImage.Kind.STEREO,
                        StereoImage.Kind.SAME_ON_BOTH_SIDES,
                        StereoImage.Kind.LEFT_ONLY,
                        StereoImage.Kind.RIGHT_ONLY,
                        StereoImage.Kind.STEREO,
                        StereoImage.Kind.SILENT,
                        StereoImage.Kind.SILENT,
                        null);
        assertThat(plan.prints())
                .extracting(Print::sides)
                .containsExactly(
                        Channels.STEREO,
                        Channels.MONO_FROM_LEFT,
                        Channels.MONO_FROM_LEFT,
                        Channels.MONO_FROM_RIGHT,
                        Channels.STEREO,
                        Channels.STEREO);
        assertThat(plan.rows().get(5).stations())
                .as("an empty row has nowhere to be taken")
                .isEmpty();
    }

    @Test
    void theDefaultIsRawOfEveryRowThatSoundsAndTheReferenceMix() throws IOException {
        Recording mono = add(recordings.add("m", 1, 24, 4_194_304, 0));
        row("Tuba", Clip.whole(mono, 0, 1, 0));
        row("Silent", Clip.whole(add(recordings.add("z", 1, 24, 0)), 0, 1, 0));
        row("Hot", new Clip("m", 0, 1, 1, 0, 2, 3, 0, 0));
        Plan plan = plan(Handoff.named("x"));
        assertThat(plan.prints())
                .extracting(Print::folder, Print::file, Print::row, Print::station, Print::channels)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("Tracks", "01_Tuba.wav", "r0", Station.RAW, 1),
                        org.assertj.core.groups.Tuple.tuple("Tracks", "03_Hot.wav", "r2", Station.RAW, 1),
                        org.assertj.core.groups.Tuple.tuple(
                                "Reference", "00_Reference Mix.wav", "mix", Station.FADER, 2));
        assertThat(plan.rows().get(0).peakDbfs()).isCloseTo(-6.0206, within(1e-3));
        assertThat(plan.rows().get(2).peakDbfs()).as("with the clip's gain").isCloseTo(-3.0206, within(1e-3));
        assertThat(plan.rows().get(1).peakDbfs()).isNull();
        assertThat(plan.frames()).isEqualTo(3);
    }

    @Test
    void sizesAreThoseOfTheFilesThatComeOut() throws IOException {
        Recording stereo = add(recordings.add("s", 2, 24, 1, 2, 3, 4, 5, 6));
        row("Ünïcode ☂ name", Clip.whole(stereo, 0, 2, 4));
        for (Depth depth : Depth.values()) {
            Handoff handoff = Handoff.named("x").printing(depth, null);
            Plan plan = plan(handoff);
            Path out = Files.createDirectories(folder.resolve(depth.name()));
            Printing.print(session(), handoff, plan, out, recordings, 1, WalkObserver.NONE);
            long sum = 0;
            for (Print print : plan.prints()) {
                assertThat(Files.size(out.resolve(print.path()))).isEqualTo(print.bytes());
                sum += print.bytes();
            }
            assertThat(plan.bytes()).isEqualTo(sum);
        }
    }

    @Test
    void theRecordingsOwnDepthKeepsEachOfThemExactly() throws IOException {
        Recording eight = recordings.add("8", 1, 8, 1);
        Recording sixteen = recordings.add("16", 1, 16, 1);
        Recording twentyFour = recordings.add("24", 1, 24, 1);
        Recording thirtyTwo = recordings.add("32", 1, 32, 1);
        Recording floating = recordings.addFloats("f", 1, 1.5);
        assertThat(ownDepth(eight)).isEqualTo(Depth.INT16);
        assertThat(ownDepth(eight, sixteen)).isEqualTo(Depth.INT16);
        assertThat(ownDepth(sixteen, twentyFour)).isEqualTo(Depth.INT24);
        assertThat(ownDepth(thirtyTwo, twentyFour)).isEqualTo(Depth.INT32);
        assertThat(ownDepth(twentyFour, floating)).isEqualTo(Depth.FLOAT32);
    }

    @Test
    void refusesWhatTheSessionCannotGive() throws IOException {
        row("Tuba", Clip.whole(add(recordings.add("m", 1, 24, 1)), 0, 1, 0));
        assertThatThrownBy(
                        () -> plan(Handoff.named("x").printing(null, List.of(new Handoff.Choice("r7", Station.RAW)))))
                .hasMessageContaining("r7");
        assertThatThrownBy(
                        () -> plan(Handoff.named("x").printing(null, List.of(new Handoff.Choice("r0", Station.BUS)))))
                .hasMessageContaining("Bus");
        assertThat(plan(Handoff.named("x").printing(null, List.of())).prints()).isEmpty();
    }

    @Test
    void noTwoPrintsShareTheirDitherNoise() throws IOException {
        for (String name : List.of("a", "b", "c")) {
            row(name, Clip.whole(add(recordings.add(name, 1, 24, 1)), 0, 1, 0));
        }
        assertThat(plan(Handoff.named("x"))
                        .taps(session(), plan(Handoff.named("x")).prints(), folder))
                .extracting(Tap::ditherSeed)
                .doesNotHaveDuplicates();
    }

    private Depth ownDepth(Recording... recordings) {
        return Depth.own(new Session(
                Song.titled("x"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(recordings),
                List.of(MixRow.DEFAULT)));
    }

    private Recording add(Recording recording) {
        used.add(recording);
        return recording;
    }

    private void row(String name, Clip... clips) {
        rows.add(new AudioRow("r" + rows.size(), name, List.of(clips)));
    }

    private Session session() {
        List<Row> all = new ArrayList<>(rows);
        all.add(MixRow.DEFAULT);
        return new Session(Song.titled("Test"), new SampleRate(48_000), 99, "2026-01-01", used, all);
    }

    private Plan plan(Handoff handoff) throws IOException {
        return Planner.plan(session(), handoff, recordings);
    }
}
