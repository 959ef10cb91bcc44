package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.BroadcastExtension;
import apodex.audio.FileKind;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundFile;
import apodex.audio.SoundLabel;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.time.SampleRate;
import java.io.EOFException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

final class WalkTest {
    private static final BroadcastExtension BROADCAST =
            new BroadcastExtension("d", "o", "r", "2026-01-01", "00:00:00", 5_000, "");

    @TempDir
    private Path folder;

    private Path out;

    @BeforeEach
    void makeFolder() throws IOException {
        out = Files.createDirectories(folder.resolve("out"));
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void rawIsBitExactInItsPlaceAtTheRecordingsDepthOrDeeper(long seed) throws IOException {
        RandomSession random = new RandomSession(seed, folder, false);
        for (SampleFormat depth : List.of(SampleFormat.INT24, SampleFormat.INT32, SampleFormat.FLOAT32)) {
            List<Tap> taps = taps(random.session, depth, depth.name());
            walk(random.session, taps, random.recordings, 2, 700).print(WalkObserver.NONE);
            for (AudioRow row : random.session.audioRows()) {
                double[][] expected = random.expected(row);
                double[][] printed = read(depth.name() + row.id());
                assertThat(printed[0]).as(row.id() + " left").isEqualTo(expected[0]);
                assertThat(printed[1]).as(row.id() + " right").isEqualTo(expected[1]);
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {11, 12, 13, 14, 15, 16})
    void gainsFadesAndOverlapsFollowTheirDefinition(long seed) throws IOException {
        RandomSession random = new RandomSession(seed, folder, true);
        List<Tap> taps = taps(random.session, SampleFormat.FLOAT32, "");
        walk(random.session, taps, random.recordings, 2, 333).print(WalkObserver.NONE);
        double[][] sum = new double[2][(int) random.session.frames()];
        for (AudioRow row : random.session.audioRows()) {
            double[][] expected = random.expected(row);
            double[][] printed = read(row.id());
            double centre = row.clips().stream().anyMatch(clip -> clip.channels() == 2) ? 1 : Math.sqrt(0.5);
            for (int side = 0; side < 2; side++) {
                assertThat(printed[side]).usingComparatorWithPrecision(1e-7).containsExactly(expected[side]);
                for (int i = 0; i < sum[side].length; i++) {
                    sum[side][i] += centre * expected[side][i];
                }
            }
        }
        double[][] mix = read("mix");
        assertThat(mix[0]).usingComparatorWithPrecision(1e-6).containsExactly(sum[0]);
        assertThat(mix[1]).usingComparatorWithPrecision(1e-6).containsExactly(sum[1]);
    }

    @ParameterizedTest(name = "{0}")
    @EnumSource(
            value = SampleFormat.class,
            names = {"INT16", "INT24", "FLOAT32"})
    void bytesDependNeitherOnThreadsNorOnBlocks(SampleFormat depth) throws IOException {
        RandomSession random = new RandomSession(21, folder, true);
        List<byte[]> first = null;
        for (int[] threadsAndBlock : new int[][] {{1, 16_384}, {1, 7}, {2, 97}, {3, 1_000}, {8, 512}}) {
            Path target = Files.createDirectories(out.resolve("t" + threadsAndBlock[0] + "b" + threadsAndBlock[1]));
            List<Tap> taps = tapsIn(target, random.session, depth, "");
            walk(random.session, taps, random.recordings, threadsAndBlock[0], threadsAndBlock[1])
                    .print(WalkObserver.NONE);
            List<byte[]> bytes = new ArrayList<>();
            for (Tap tap : taps) {
                bytes.add(Files.readAllBytes(tap.file()));
            }
            assertThat(bytes).hasSize(7).allMatch(file -> file.length > 1_000);
            if (first == null) {
                first = bytes;
            }
            for (int i = 0; i < bytes.size(); i++) {
                assertThat(bytes.get(i))
                        .as("%s with %s", taps.get(i).row(), Arrays.toString(threadsAndBlock))
                        .isEqualTo(first.get(i));
            }
        }
    }

    @Test
    void everyFileHasTheSessionsLengthAndTimeStamp() throws IOException {
        RandomSession random = new RandomSession(31, folder, true);
        List<Tap> taps = taps(random.session, SampleFormat.INT24, "");
        walk(random.session, taps, random.recordings, 2, Walk.BLOCK_FRAMES).print(WalkObserver.NONE);
        for (Tap tap : taps) {
            var info = SoundFile.examine(tap.file());
            assertThat(info.frames()).isEqualTo(random.session.frames());
            assertThat(info.broadcast().timeReference()).isEqualTo(5_000);
        }
    }

    @Test
    void sixteenBitsGetDitherUnderClipsAndSilenceBetweenThem() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        long[] quiet = new long[6_000]; // 24-bit zeros: all that can be heard is the dither
        Recording recording = recordings.add("quiet", 1, 24, quiet);
        Session session = session(
                List.of(recording),
                new Clip("quiet", 0, 1, 1_000, 0, 2_000, 0, 0, 0),
                new Clip("quiet", 0, 1, 5_000, 0, 2_000, 0, 0, 0));
        print(session, recordings, tap("r0", Station.RAW, Channels.MONO_FROM_LEFT, SampleFormat.INT16, "d"));
        double[] printed = read("d")[0];
        for (int i = 0; i < printed.length; i++) {
            boolean covered = i >= 1_000 && i < 3_000 || i >= 5_000;
            if (!covered) {
                assertThat(printed[i]).as("frame %d", i).isZero();
            }
        }
        double[] steps = Arrays.stream(Arrays.copyOfRange(printed, 1_000, 3_000))
                .map(v -> Math.abs(v * 32_768))
                .toArray();
        assertThat(steps)
                .as("triangular noise of two steps reaches one step either way")
                .containsOnly(0, 1);
        assertThat(Arrays.stream(steps).sum() / steps.length)
                .as("a quarter of the frames")
                .isCloseTo(0.25, within(0.05));
    }

    @Test
    void sixteenBitRecordingsGoToSixteenBitsWithoutDither() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        Recording recording = recordings.add("eight", 1, 8, -128, 127, 0, 5);
        Session session = session(List.of(recording), new Clip("eight", 0, 1, 2, 0, 4, 0, 0, 0));
        print(session, recordings, tap("r0", Station.RAW, Channels.MONO_FROM_LEFT, SampleFormat.INT16, "e"));
        assertThat(read("e")[0]).containsExactly(0, 0, -1, 127 / 128.0, 0, 5 / 128.0);
    }

    @Test
    void takesTheSideItIsAskedFor() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        Recording recording = recordings.add("sides", 2, 24, 1, 10, 2, 20, 3, 30);
        Session session = session(List.of(recording), new Clip("sides", 0, 2, 0, 0, 3, 0, 0, 0));
        print(
                session,
                recordings,
                tap("r0", Station.RAW, Channels.MONO_FROM_LEFT, SampleFormat.INT24, "left"),
                tap("r0", Station.RAW, Channels.MONO_FROM_RIGHT, SampleFormat.INT24, "right"),
                tap("r0", Station.RAW, Channels.MONO_FROM_RIGHT, SampleFormat.FLOAT32, "rightf"),
                tap("r0", Station.RAW, Channels.STEREO, SampleFormat.INT24, "both"));
        double step = 1 / 8_388_608.0;
        assertThat(read("left")[0]).containsExactly(step, 2 * step, 3 * step);
        assertThat(read("right")[0]).containsExactly(10 * step, 20 * step, 30 * step);
        assertThat(read("rightf")[0]).containsExactly(10 * step, 20 * step, 30 * step);
        assertThat(read("both")[1]).containsExactly(10 * step, 20 * step, 30 * step);
    }

    @Test
    void countsWhatTheMixHoldsAtFullScale() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        Recording loud = recordings.add("loud", 1, 24, 5_000_000, 100, -5_000_000);
        Clip clip = Clip.whole(loud, 0, 1, 0);
        List<Row> rows =
                List.of(new AudioRow("r0", "a", List.of(clip)), new AudioRow("r1", "b", List.of(clip)), MixRow.DEFAULT);
        Session session = new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(loud), rows)
                .withPanLaw(PanLaw.ZERO);
        List<Tap> taps = List.of(
                tap("mix", Station.FADER, Channels.MONO_FROM_LEFT, SampleFormat.INT24, "mix"),
                tap("mix", Station.FADER, Channels.MONO_FROM_LEFT, SampleFormat.FLOAT32, "mixf"));
        assertThat(walk(session, taps, recordings, 1, Walk.BLOCK_FRAMES).print(WalkObserver.NONE))
                .extracting(Printed::overs)
                .containsExactly(2L, 0L);
        assertThat(read("mix")[0]).containsExactly(8_388_607 / 8_388_608.0, 200 / 8_388_608.0, -1);
        assertThat(read("mixf")[0][0]).isCloseTo(10_000_000 / 8_388_608.0, within(1e-7));
    }

    @Test
    void reportsProgressAndStopsWhenAsked() throws IOException {
        RandomSession random = new RandomSession(41, folder, true);
        List<Double> seen = new ArrayList<>();
        WalkObserver stopper = new WalkObserver() {
            @Override
            public void printed(double share) {
                assertThat(share)
                        .isGreaterThan(seen.isEmpty() ? 0 : seen.get(seen.size() - 1))
                        .isLessThanOrEqualTo(1);
                seen.add(share);
            }

            @Override
            public boolean isCancelled() {
                return seen.size() == 4;
            }
        };
        Walk walk = walk(random.session, taps(random.session, SampleFormat.INT24, ""), random.recordings, 2, 250);
        assertThatThrownBy(() -> walk.print(stopper)).isInstanceOf(CancellationException.class);
        assertThat(seen).hasSize(4);
    }

    @Test
    void aRecordingThatIsShorterThanItsClipStopsTheWalkWithItsReason() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        Recording recording = recordings.add("short", 1, 24, 1, 2, 3);
        Session session = session(List.of(recording), new Clip("short", 0, 1, 0, 0, 50, 0, 0, 0));
        assertThatThrownBy(() ->
                        print(session, recordings, tap("r0", Station.RAW, Channels.STEREO, SampleFormat.INT24, "x")))
                .isInstanceOf(EOFException.class)
                .hasMessageContaining("recording of 3");
    }

    private static Session session(List<Recording> recordings, Clip... clips) {
        List<Row> rows = List.of(new AudioRow("r0", "Row", List.of(clips)), MixRow.DEFAULT);
        return new Session(Song.titled("Test"), new SampleRate(48_000), 5_000, "2026-01-01", recordings, rows);
    }

    private void print(Session session, TestRecordings recordings, Tap... taps) throws IOException {
        walk(session, List.of(taps), recordings, 2, 501).print(WalkObserver.NONE);
    }

    private static Walk walk(Session session, List<Tap> taps, TestRecordings recordings, int threads, int blockFrames) {
        return new Walk(session, taps, Passage.whole(session), Sharing.STANDARD, recordings, threads, blockFrames);
    }

    private List<Tap> taps(Session session, SampleFormat depth, String prefix) {
        return tapsIn(out, session, depth, prefix);
    }

    private static List<Tap> tapsIn(Path target, Session session, SampleFormat depth, String prefix) {
        return session.rows().stream()
                .map(row -> new Tap(
                        row.id(),
                        row instanceof MixRow ? Station.FADER : Station.RAW,
                        Channels.STEREO,
                        depth,
                        session.rate(),
                        FileKind.WAV,
                        0,
                        target.resolve(prefix + row.id()),
                        SoundLabel.of(BROADCAST),
                        row.id().hashCode()))
                .toList();
    }

    private Tap tap(String row, Station station, Channels channels, SampleFormat depth, String name) {
        return new Tap(
                row,
                station,
                channels,
                depth,
                new SampleRate(48_000),
                FileKind.WAV,
                0,
                out.resolve(name),
                SoundLabel.of(BROADCAST),
                77);
    }

    private double[][] read(String name) throws IOException {
        Path file = out.resolve(name);
        var info = SoundFile.examine(file);
        double[][] samples = new double[info.channels()][(int) info.frames()];
        try (PcmReader reader = new PcmReader(file, info)) {
            reader.read(0, (int) info.frames(), 0, samples, 0);
        }
        return samples;
    }
}
