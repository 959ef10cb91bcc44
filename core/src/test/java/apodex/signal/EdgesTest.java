package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SampleFormat;
import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.Walked.How;
import apodex.time.FrameRange;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where a range ends: what begins later is not heard, what sounded before rings out, and files end when nothing can sound. */
class EdgesTest {
    private static final SampleRate RATE = new SampleRate(48_000);
    private static final int END = 24_000;
    private static final Insert LIMITER = Insert.of("limiter", Map.of());

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Recording noise;
    private Recording click;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        double[] loud = new double[12_000];
        for (int i = 0; i < loud.length; i++) {
            loud[i] = i * 7919 % 1_000 / 1_250.0 - 0.4;
        }
        noise = recordings.addFloats("noise", 1, loud);
        click = recordings.addFloats("click", 1, 0.8, -0.8, 0.8, -0.8);
    }

    private static Session session(List<Recording> made, Row... rows) {
        return new Session(
                new Song("Edges", "", 120.0, Meter.FOUR_FOUR, null), RATE, 0, "2026-01-01", made, List.of(rows));
    }

    private Walked print(Session session, Passage.Tail tail, String... points) throws IOException {
        How how = How.floats(session, Returns.OWN_FILES, Dynamics.IN_PLACE)
                .passage(new Passage(new FrameRange(0, END), 0, tail));
        return Walked.print(session, recordings, folder, how, List.of(points));
    }

    private Session kickBehindTheRange(boolean isThere) {
        Clip before = Clip.whole(noise, 0, 1, 2_000);
        Clip after = Clip.whole(noise, 0, 1, END);
        List<Clip> clips = isThere ? List.of(before, after) : List.of(before);
        return session(
                List.of(noise),
                new AudioRow("kick", "Kick", clips, Strip.feeding("bus").withInserts(List.of(LIMITER))),
                new BusRow(
                        "bus",
                        "Group",
                        Strip.PLAIN.withInserts(List.of(
                                LIMITER, Insert.of("hallReverb", Map.of("decaySeconds", 0.4, "mixPercent", 50.0))))),
                new MixRow("mix", "Mix", Strip.feeding().withInserts(List.of(LIMITER))));
    }

    @Test
    void whatBeginsBehindTheRangeIsNeverHeard() throws IOException {
        String[] points = {"kick@RAW", "kick@INSERTS", "kick@MIX", "bus@INSERTS", "mix@FADER"};
        Walked with = print(kickBehindTheRange(true), Passage.Tail.AUTOMATIC, points);
        Walked without = print(kickBehindTheRange(false), Passage.Tail.AUTOMATIC, points);
        for (String point : points) {
            assertThat(with.sides.get(point)[0])
                    .as(point)
                    .hasSizeGreaterThan(END)
                    .isEqualTo(without.sides.get(point)[0]);
        }
        assertThat(Arrays.stream(with.sides.get("mix@FADER")[0])
                        .skip(END + 500)
                        .map(Math::abs)
                        .max()
                        .orElseThrow())
                .as("what sounded before rings out")
                .isGreaterThan(1e-3);
    }

    @Test
    void whatCannotRingNeverLengthensATailWhetherItIsCopiedOrComputed() throws IOException {
        Insert echo = Insert.of("delay", Map.of("timeMs", 10.0, "feedbackPercent", 0.0));
        Session session = session(
                List.of(noise, click),
                new AudioRow("dry", "Dry", List.of(Clip.whole(noise, 0, 1, END - 12_000)), Strip.PLAIN),
                new AudioRow("wet", "Wet", List.of(Clip.whole(click, 0, 1, 0)), Strip.PLAIN.withInserts(List.of(echo))),
                new MixRow("mix", "Mix", Strip.feeding()));
        for (SampleFormat depth : List.of(SampleFormat.FLOAT32, SampleFormat.INT24)) {
            How how = How.floats(session, Returns.OWN_FILES, Dynamics.IN_PLACE)
                    .depth(depth)
                    .passage(new Passage(new FrameRange(0, END), 0, Passage.Tail.AUTOMATIC));
            Walked walked = Walked.print(session, recordings, folder, how, List.of("dry@RAW", "wet@INSERTS"));
            assertThat(walked.sides.get("dry@RAW")[0].length)
                    .as("a second after the last echo, %s", depth)
                    .isEqualTo(480 + 4 + 48_000);
        }
    }

    @Test
    void aTailWaitsForTheLongestEcho() throws IOException {
        Session once = session(
                List.of(click),
                new AudioRow(
                        "a",
                        "A",
                        List.of(Clip.whole(click, 0, 1, 100)),
                        Strip.PLAIN.withInserts(List.of(Insert.of(
                                "delay", Map.of("timeMs", 4_000.0, "feedbackPercent", 0.0, "mixPercent", 50.0))))),
                MixRow.DEFAULT);
        double[] echoed = print(once, Passage.Tail.AUTOMATIC, "a@INSERTS").sides.get("a@INSERTS")[0];
        assertThat(echoed).hasSizeBetween(4 * 48_000, 6 * 48_000);
        assertThat(echoed[100 + 4 * 48_000]).isCloseTo(0.4, within(1e-6));
        Session twice = session(
                List.of(click),
                new AudioRow(
                        "a",
                        "A",
                        List.of(Clip.whole(click, 0, 1, 100)),
                        Strip.PLAIN.withInserts(List.of(
                                Insert.of(
                                        "delay", Map.of("timeMs", 1_500.0, "feedbackPercent", 0.0, "mixPercent", 50.0)),
                                Insert.of(
                                        "delay",
                                        Map.of("timeMs", 3_100.0, "feedbackPercent", 0.0, "mixPercent", 50.0))))),
                MixRow.DEFAULT);
        double[] both = print(twice, Passage.Tail.AUTOMATIC, "a@INSERTS").sides.get("a@INSERTS")[0];
        assertThat(both[100 + 72_000 + 148_800])
                .as("through one echo and the other")
                .isCloseTo(0.2, within(1e-6));
        double[] dry = print(twice, Passage.Tail.AUTOMATIC, "a@RAW").sides.get("a@RAW")[0];
        assertThat(dry).as("nothing rings").hasSize(END);
    }

    @Test
    void aTailWaitsForAFaderThatOpensLater() throws IOException {
        Strip late = Strip.PLAIN
                .withInserts(List.of(
                        Insert.of("delay", Map.of("timeMs", 900.0, "feedbackPercent", 80.0, "toneHz", 20_000.0))))
                .withMoves(
                        List.of(
                                new Move(0, Strip.SILENT_DB),
                                new Move(END + 96_000, Strip.SILENT_DB),
                                new Move(END + 96_100, 0)),
                        List.of());
        Session session = session(
                List.of(noise),
                new AudioRow("a", "A", List.of(Clip.whole(noise, 0, 1, 2_000)), Strip.feeding("bus")),
                new BusRow("bus", "Bus", late),
                MixRow.DEFAULT);
        double[] heard =
                print(session, Passage.Tail.AUTOMATIC, "bus@FADER").sides.get("bus@FADER")[0];
        assertThat(heard.length).isGreaterThan(END + 96_100 + 43_200);
        assertThat(Arrays.stream(heard).skip(END + 96_100).map(Math::abs).max().orElseThrow())
                .isGreaterThan(0.01);
    }

    @Test
    void aKeyThatIsDownIsLetGoWhereTheRangeEndsAndRingsOut() throws IOException {
        Note held = new Note(0, 8, 60, 100);
        Note released = new Note(0, 1, 60, 100); // at 120, to the end of the range
        double[][] sounds = new double[2][];
        for (int i = 0; i < 2; i++) {
            Session session = session(
                    List.of(),
                    new InstrumentRow(
                            "organ",
                            "Organ",
                            "reedOrgan",
                            List.of(i == 0 ? held : released, new Note(40, 1, 60, 1)),
                            Strip.PLAIN),
                    MixRow.DEFAULT);
            sounds[i] =
                    print(session, Passage.Tail.AUTOMATIC, "organ@RAW").sides.get("organ@RAW")[0];
        }
        assertThat(sounds[0]).hasSizeGreaterThan(END).isEqualTo(sounds[1]);
    }

    /** Keys struck between the range's end and the end of the block it lies in, and after it. */
    @Test
    void noKeyIsStruckBehindTheRange() throws IOException {
        double[][] sounds = new double[2][];
        for (int i = 0; i < 2; i++) {
            List<Note> within = List.of(new Note(0.2, 0.3, 60, 50));
            List<Note> all =
                    List.of(within.get(0), new Note(1.01, 1, 64, 50), new Note(1.2, 1, 67, 50), new Note(40, 1, 60, 1));
            Session session = session(
                    List.of(),
                    new InstrumentRow(
                            "bell", "Bell", "bell", i == 0 ? all : List.of(within.get(0), all.get(3)), Strip.PLAIN),
                    MixRow.DEFAULT);
            sounds[i] = print(session, Passage.Tail.AUTOMATIC, "bell@RAW").sides.get("bell@RAW")[0];
        }
        assertThat(sounds[0]).hasSizeGreaterThan(END).isEqualTo(sounds[1]);
    }

    /** Dither is for sound: a tenth of a second after the last sample it ends, and silence is digital silence again. */
    @Test
    void ditherEndsATenthOfASecondAfterTheSound() throws IOException {
        Session session = session(
                List.of(noise),
                new AudioRow(
                        "a",
                        "A",
                        List.of(Clip.whole(noise, 0, 1, 1_000)),
                        Strip.PLAIN.withInserts(List.of(Insert.of("gain", Map.of("gainDb", -3.3))))),
                MixRow.DEFAULT);
        How how = How.floats(session, Returns.OWN_FILES, Dynamics.IN_PLACE)
                .depth(apodex.audio.SampleFormat.INT16)
                .passage(new Passage(new FrameRange(0, 13_000), 0, new Passage.Tail(1.0)));
        double[] printed = Walked.print(session, recordings, folder, how, List.of("a@INSERTS"))
                .sides
                .get("a@INSERTS")[0];
        assertThat(Arrays.stream(printed)
                        .skip(13_001)
                        .limit(4_600)
                        .map(Math::abs)
                        .max()
                        .orElseThrow())
                .as("no edge to be heard")
                .isPositive();
        assertThat(Arrays.copyOfRange(printed, 13_000 + 4_801, printed.length))
                .as("silence is silence")
                .containsOnly(0.0);
        assertThat(Arrays.copyOf(printed, 1_000)).containsOnly(0.0);
    }
}
