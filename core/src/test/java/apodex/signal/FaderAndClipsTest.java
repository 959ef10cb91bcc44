package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SampleFormat;
import apodex.audio.SoundBytes;
import apodex.instrument.Instrument;
import apodex.instrument.Instruments;
import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.PartRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.signal.Walked.How;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Faders, pans, moves, fades, takes, parts, rates and channels against their definitions. */
final class FaderAndClipsTest {
    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private final List<Recording> used = new ArrayList<>();

    @BeforeEach
    void begin() {
        recordings = new TestRecordings(folder);
    }

    private Clip constant(String name, int channels, int frames) throws IOException {
        double[] samples = new double[frames * channels];
        Arrays.fill(samples, 0.5);
        used.add(recordings.addFloats(name, channels, samples));
        return Clip.whole(used.get(used.size() - 1), 0, channels, 0);
    }

    private Session session(Row... rows) {
        List<Row> all = new ArrayList<>(List.of(rows));
        all.add(MixRow.DEFAULT);
        return new Session(
                new Song("x", "", 120.0, Meter.FOUR_FOUR, null), new SampleRate(48_000), 0, "2026-01-01", used, all);
    }

    private Walked print(Session session, String... points) throws IOException {
        return Walked.print(
                session,
                recordings,
                folder,
                How.floats(session, Returns.OWN_FILES, Dynamics.IN_PLACE),
                List.of(points));
    }

    @Test
    void movesGoInStraightLinesOfDecibelsAndPositionFrameByFrame() throws IOException {
        Strip strip = Strip.PLAIN.withMoves(
                List.of(new Move(1_000, -20), new Move(5_000, 0), new Move(6_000, -144)),
                List.of(new Move(0, -100), new Move(8_000, 100)));
        Walked walked =
                print(session(new AudioRow("r", "R", List.of(constant("c", 1, 8_000)), strip)), "r@FADER", "mix@FADER");
        double[][] out = walked.sides.get("r@FADER");
        for (int i = 0; i < 8_000; i++) {
            double db = i <= 1_000
                    ? -20
                    : i <= 5_000 ? -20 + 20 * (i - 1_000) / 4_000.0 : i < 6_000 ? -144 * (i - 5_000) / 1_000.0 : -999;
            double angle = (i / 8_000.0) * Math.PI / 2;
            double level = db <= -144 ? 0 : 0.5 * Math.pow(10, db / 20);
            assertThat(out[0][i]).as("left at %d", i).isCloseTo(level * Math.cos(angle), within(1e-7));
            assertThat(out[1][i]).as("right at %d", i).isCloseTo(level * Math.sin(angle), within(1e-7));
        }
        assertThat(walked.sides.get("mix@FADER")[1]).isEqualTo(out[1]);
    }

    @Test
    void aMutedRowIsSilentFromItsFaderOnButNotBefore() throws IOException {
        Strip strip = Strip.PLAIN.withMuteAndSolo(true, true);
        Walked walked = print(
                session(
                        new AudioRow("r", "R", List.of(constant("c", 2, 500)), strip),
                        new AudioRow("s", "S", List.of(constant("d", 2, 500)), Strip.PLAIN.withFader(-6, 50))),
                "r@RAW",
                "r@FADER",
                "r@MIX",
                "s@FADER",
                "mix@FADER");
        assertThat(walked.sides.get("r@RAW")[0][100]).isEqualTo(0.5);
        assertThat(walked.sides.get("r@FADER")[0][100]).isZero();
        assertThat(walked.sides.get("r@MIX")[0][100]).isZero();
        double level = 0.5 * Math.pow(10, -6 / 20.0);
        assertThat(walked.sides.get("s@FADER")[0][100])
                .as("balanced to the right")
                .isCloseTo(level * Math.cos(Math.PI / 4), within(1e-7));
        assertThat(walked.sides.get("mix@FADER")[1][100])
                .as("solo prints nothing differently")
                .isCloseTo(level, within(1e-7));
    }

    @ParameterizedTest
    @EnumSource(Fade.Curve.class)
    void fadesFollowTheirCurves(Fade.Curve curve) throws IOException {
        Clip clip = constant("c", 1, 1_000);
        Clip faded = new Clip(
                clip.recording(), 0, 1, 0, 0, 1_000, 0, new Fade(200, curve), new Fade(100, curve), List.of(), false);
        double[] out = print(session(new AudioRow("r", "R", List.of(faded))), "r@RAW")
                .sides
                .get("r@RAW")[0];
        for (int i = 0; i < 1_000; i++) {
            double in = i < 200 ? curve.gain((i + 0.5) / 200) : 1;
            double away = i >= 900 ? curve.gain((1_000 - i - 0.5) / 100) : 1;
            assertThat(out[i]).isCloseTo(0.5 * in * away, within(1e-7));
        }
        assertThat(curve.gain(0)).isCloseTo(0, within(1e-15));
        assertThat(curve.gain(1)).isCloseTo(1, within(1e-15));
    }

    @Test
    void onlyTheActiveTakeIsHeardAndMutedClipsNowhere() throws IOException {
        Clip one = constant("one", 1, 300);
        Clip muted = new Clip(one.recording(), 0, 1, 100, 0, 50, 0, Fade.NONE, Fade.NONE, List.of(), true);
        Take first = new Take("t1", "First", List.of(new Clip(one.recording(), 0, 1, 0, 0, 50, 0, 0, 0), muted));
        Take second = new Take("t2", "Second", List.of(new Clip(one.recording(), 0, 1, 200, 0, 50, 0, 0, 0)));
        double[] out = print(session(new AudioRow("r", "R", List.of(first, second), "t1", Strip.PLAIN)), "r@RAW")
                .sides
                .get("r@RAW")[0];
        assertThat(out[20]).isEqualTo(0.5);
        assertThat(Arrays.stream(out).filter(sample -> sample != 0).count()).isEqualTo(50);
    }

    @Test
    void shapedHasClipInsertsAndKeptOnesInsertsHasAllRawHasNone() throws IOException {
        Clip clip = constant("c", 1, 400).withInserts(List.of(Insert.of("gain", Map.of("gainDb", -20.0))));
        List<Insert> inserts = List.of(
                Insert.of("gain", Map.of("gainDb", -6.0)).keep(),
                Insert.of("polarity", Map.of()),
                Insert.of("gain", Map.of("gainDb", -12.0)).keep(),
                Insert.of("magic", Map.of("x", 1.0)).keep(),
                new Insert("gain", Map.of("gainDb", -40.0), null, true, false));
        Walked walked = print(
                session(new AudioRow("r", "R", List.of(clip), Strip.PLAIN.withInserts(inserts))),
                "r@RAW",
                "r@SHAPED",
                "r@INSERTS");
        assertThat(walked.sides.get("r@RAW")[0][10]).isEqualTo(0.5);
        assertThat(walked.sides.get("r@SHAPED")[0][10]).isCloseTo(0.5 * Math.pow(10, -38 / 20.0), within(1e-8));
        assertThat(walked.sides.get("r@INSERTS")[0][10]).isCloseTo(-0.5 * Math.pow(10, -38 / 20.0), within(1e-8));
    }

    @ParameterizedTest(name = "{0} Hz")
    @ValueSource(ints = {44_100, 96_000, 47_952})
    void recordingsOfAnotherRateSoundInTimeAndInTune(int rate) throws IOException {
        double[] tone = new double[rate];
        for (int i = 0; i < rate; i++) {
            tone[i] = 0.5 * Math.sin(2 * Math.PI * 1_000 * i / rate);
        }
        Path file = folder.resolve("tone");
        byte[] bytes = SoundBytes.riff()
                .format(3, 1, rate, 32)
                .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, tone))
                .wave();
        Recording recording = recordings.add("tone", bytes);
        Recording foreign =
                new Recording("tone", "tone", new SampleRate(rate), 1, SampleFormat.FLOAT32, rate, null, null);
        used.add(foreign);
        assertThat(Files.exists(file)).isTrue();
        assertThat(recording.frames()).isEqualTo(rate);
        assertThat(foreign.framesAt(new SampleRate(48_000))).isEqualTo(48_000);
        List<Clip> clips = List.of(new Clip("tone", 0, 1, 100, 4_800, 20_000, 0, 0, 0));
        double[] out =
                print(session(new AudioRow("r", "R", clips)), "r@RAW").sides.get("r@RAW")[0];
        for (int i = 0; i < 20_000; i++) {
            assertThat(out[100 + i])
                    .isCloseTo(0.5 * Math.sin(2 * Math.PI * 1_000 * (4_800 + i) / 48_000.0), within(1e-6));
        }
    }

    @Test
    void partsOnTheirOwnRowsAreNotInTheInstrumentAndTogetherTheyAreTheKit() throws IOException {
        List<Note> notes = List.of(
                new Note(0, 0.5, 36, 100),
                new Note(0.5, 0.5, 38, 90),
                new Note(0.75, 0.2, 42, 70),
                new Note(1, 0.5, 36, 110));
        Session whole = session(new InstrumentRow("kit", "Kit", "drumKit", notes, Strip.PLAIN));
        Session split = session(
                new InstrumentRow("kit", "Kit", "drumKit", notes, Strip.PLAIN),
                new PartRow("kick", "Kick", "kit", "kick", Strip.PLAIN),
                new PartRow("room", "Room", "kit", "room", Strip.PLAIN));
        double[][] all = print(whole, "kit@RAW").sides.get("kit@RAW");
        Walked parts = print(split, "kit@RAW", "kick@RAW", "room@RAW");
        assertThat(Arrays.stream(parts.sides.get("kick@RAW")[0])
                        .map(Math::abs)
                        .max()
                        .orElse(0))
                .isGreaterThan(0.2);
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < all[c].length; i++) {
                double sum = parts.sides.get("kit@RAW")[c][i]
                        + parts.sides.get("kick@RAW")[c][i]
                        + parts.sides.get("room@RAW")[c][i];
                assertThat(sum).isCloseTo(all[c][i], within(2e-7));
            }
        }
        double[] kick = parts.sides.get("kick@RAW")[0];
        int second = 24_000;
        assertThat(Math.abs(kick[second + 200] - kick[second - 1]))
                .as("struck on the quarter at 120")
                .isGreaterThan(0.01);
    }

    @Test
    void everyInstrumentPlaysInTuneAndRingsNoLongerThanItSays() throws IOException {
        for (Instrument instrument : Instruments.ALL) {
            Session session = session(new InstrumentRow(
                    "i",
                    "I",
                    instrument.id(),
                    List.of(new Note(0, 1, instrument.id().equals("drumKit") ? 38 : 57, 100)),
                    Strip.PLAIN));
            double[] out = print(session, "i@RAW").sides.get("i@RAW")[0];
            int last = 0;
            for (int i = 0; i < out.length; i++) {
                last = out[i] != 0 ? i : last;
            }
            assertThat(last).as(instrument.name()).isBetween(10_000, (int)
                    (24_000 + instrument.ringSeconds() * 48_000));
            if (!instrument.id().equals("drumKit")
                    && !instrument.id().equals("bell")) { // a bell's pitch is not in its partials
                assertThat(pitch(out)).as(instrument.name()).isCloseTo(220, within(3.0));
            }
        }
    }

    /** Frequency of the strongest periodicity between 100 and 400 Hz, by autocorrelation; of equally strong ones the highest. */
    private static double pitch(double[] samples) {
        double[] likeness = new double[480];
        for (int lag = 119; lag < 480; lag++) {
            double energy = 1e-20;
            for (int i = 6_000; i < 14_000; i++) {
                likeness[lag] += samples[i] * samples[i + lag];
                energy += samples[i + lag] * samples[i + lag];
            }
            likeness[lag] /= Math.sqrt(energy);
        }
        double most = Arrays.stream(likeness).max().orElseThrow();
        for (int lag = 120; lag < 479; lag++) {
            if (likeness[lag] > 0.85 * most
                    && likeness[lag] >= likeness[lag - 1]
                    && likeness[lag] >= likeness[lag + 1]) {
                return 48_000.0 / lag;
            }
        }
        return 0;
    }
}
