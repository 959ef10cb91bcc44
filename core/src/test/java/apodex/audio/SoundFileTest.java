package apodex.audio;

import static apodex.audio.SoundBytes.doubles;
import static apodex.audio.SoundBytes.floats;
import static apodex.audio.SoundBytes.integers;
import static java.nio.ByteOrder.BIG_ENDIAN;
import static java.nio.ByteOrder.LITTLE_ENDIAN;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundInfo.Container;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every container in every sample format, built byte by byte, comes out as the numbers that went in. */
final class SoundFileTest {
    @TempDir
    private Path folder;

    private record Case(Container container, SampleFormat sample, int channels, byte[] file, double[] interleaved) {}

    static Stream<Arguments> everyKind() {
        // Full scale down, a step below full scale up, a step, nothing: two frames of two channels.
        return Stream.of(
                Arguments.of("WAV 8", wav(8, SampleFormat.UINT8, List.of(0L, 255L, 129L, 128L), 128, -128, 127, 1, 0)),
                Arguments.of(
                        "WAV 16",
                        wav(16, SampleFormat.INT16, List.of(-32768L, 32767L, 1L, 0L), 32768, -32768, 32767, 1, 0)),
                Arguments.of(
                        "WAV 24",
                        wav(
                                24,
                                SampleFormat.INT24,
                                List.of(-8388608L, 8388607L, -1L, 0L),
                                8388608,
                                -8388608,
                                8388607,
                                -1,
                                0)),
                Arguments.of(
                        "WAV 32",
                        wav(
                                32,
                                SampleFormat.INT32,
                                List.of(-2147483648L, 2147483647L, 1L, 0L),
                                2147483648.0,
                                -2147483648.0,
                                2147483647.0,
                                1,
                                0)),
                Arguments.of(
                        "WAV float",
                        floatCase(
                                SoundBytes.riff()
                                        .format(3, 2, 48_000, 32)
                                        .chunk("data", floats(LITTLE_ENDIAN, 1.5, -0.25, 0x1p-20, 0))
                                        .wave(),
                                SampleFormat.FLOAT32,
                                Container.WAV)),
                Arguments.of(
                        "WAV double",
                        floatCase(
                                SoundBytes.riff()
                                        .format(3, 2, 48_000, 64)
                                        .chunk("data", doubles(LITTLE_ENDIAN, 1.5, -0.25, 0x1p-20, 0))
                                        .wave(),
                                SampleFormat.FLOAT64,
                                Container.WAV)),
                Arguments.of(
                        "extensible 24",
                        new Case(
                                Container.WAV,
                                SampleFormat.INT24,
                                2,
                                SoundBytes.riff()
                                        .extensible(1, 2, 48_000, 24)
                                        .chunk("data", integers(LITTLE_ENDIAN, 3, List.of(4L, -4L)))
                                        .wave(),
                                new double[] {4 / 8388608.0, -4 / 8388608.0})),
                Arguments.of(
                        "extensible float",
                        floatCase(
                                SoundBytes.riff()
                                        .extensible(3, 2, 48_000, 32)
                                        .chunk("data", floats(LITTLE_ENDIAN, 1.5, -0.25, 0x1p-20, 0))
                                        .wave(),
                                SampleFormat.FLOAT32,
                                Container.WAV)),
                Arguments.of(
                        "20 bits in 24",
                        new Case(
                                Container.WAV,
                                SampleFormat.INT24,
                                1,
                                SoundBytes.riff()
                                        .chunk("fmt ", SoundBytes.formatBody(1, 1, 48_000, 20, 3))
                                        .chunk("data", integers(LITTLE_ENDIAN, 3, List.of(0x7FFFF0L)))
                                        .wave(),
                                new double[] {0x7FFFF0 / 8388608.0})),
                Arguments.of(
                        "AIFF 8",
                        new Case(
                                Container.AIFF,
                                SampleFormat.INT8,
                                1,
                                SoundBytes.aiff()
                                        .common(1, 2, 8, 48_000, null)
                                        .sound(new byte[] {-128, 1})
                                        .aiffFile("AIFF"),
                                new double[] {-1, 1 / 128.0})),
                Arguments.of(
                        "AIFF 16",
                        new Case(
                                Container.AIFF,
                                SampleFormat.INT16,
                                2,
                                SoundBytes.aiff()
                                        .common(2, 1, 16, 48_000, null)
                                        .sound(integers(BIG_ENDIAN, 2, List.of(-32768L, 258L)))
                                        .aiffFile("AIFF"),
                                new double[] {-1, 258 / 32768.0})),
                Arguments.of(
                        "AIFF 24 before COMM",
                        new Case(
                                Container.AIFF,
                                SampleFormat.INT24,
                                1,
                                SoundBytes.aiff()
                                        .sound(integers(BIG_ENDIAN, 3, List.of(0x010203L)))
                                        .common(1, 1, 24, 48_000, null)
                                        .aiffFile("AIFF"),
                                new double[] {0x010203 / 8388608.0})),
                Arguments.of(
                        "AIFF 32",
                        new Case(
                                Container.AIFF,
                                SampleFormat.INT32,
                                1,
                                SoundBytes.aiff()
                                        .common(1, 1, 32, 48_000, null)
                                        .sound(integers(BIG_ENDIAN, 4, List.of(0x01020304L)))
                                        .aiffFile("AIFF"),
                                new double[] {0x01020304 / 2147483648.0})),
                Arguments.of(
                        "AIFF-C little-endian",
                        new Case(
                                Container.AIFC,
                                SampleFormat.INT16,
                                1,
                                SoundBytes.aiff()
                                        .common(1, 1, 16, 48_000, "sowt")
                                        .sound(integers(LITTLE_ENDIAN, 2, List.of(258L)))
                                        .aiffFile("AIFC"),
                                new double[] {258 / 32768.0})),
                Arguments.of(
                        "AIFF-C float",
                        floatCase(
                                SoundBytes.aiff()
                                        .common(2, 2, 32, 48_000, "fl32")
                                        .sound(floats(BIG_ENDIAN, 1.5, -0.25, 0x1p-20, 0))
                                        .aiffFile("AIFC"),
                                SampleFormat.FLOAT32,
                                Container.AIFC)),
                Arguments.of(
                        "AIFF-C double",
                        floatCase(
                                SoundBytes.aiff()
                                        .common(2, 2, 64, 48_000, "fl64")
                                        .sound(doubles(BIG_ENDIAN, 1.5, -0.25, 0x1p-20, 0))
                                        .aiffFile("AIFC"),
                                SampleFormat.FLOAT64,
                                Container.AIFC)),
                Arguments.of("RF64", rf64("RF64", Container.RF64)),
                Arguments.of("BW64", rf64("BW64", Container.BW64)));
    }

    private static Case wav(int bits, SampleFormat sample, List<Long> stored, double scale, double... values) {
        double[] expected =
                java.util.Arrays.stream(values).map(value -> value / scale).toArray();
        return new Case(
                Container.WAV,
                sample,
                2,
                SoundBytes.riff()
                        .format(1, 2, 48_000, bits)
                        .chunk("data", integers(LITTLE_ENDIAN, bits / 8, stored))
                        .wave(),
                expected);
    }

    private static Case floatCase(byte[] file, SampleFormat sample, Container container) {
        return new Case(container, sample, 2, file, new double[] {1.5, -0.25, 0x1p-20, 0});
    }

    /** EBU Tech 3306: sizes of all ones, the real ones in the ds64 chunk, which comes first. */
    private static Case rf64(String magic, Container container) {
        byte[] samples = integers(LITTLE_ENDIAN, 2, List.of(-32768L, 7L, 8L));
        byte[] ds64 = ByteBuffer.allocate(28)
                .order(LITTLE_ENDIAN)
                .putLong(200)
                .putLong(samples.length)
                .putLong(3)
                .putInt(0)
                .array();
        byte[] file = SoundBytes.riff()
                .chunk("ds64", ds64)
                .format(1, 1, 48_000, 16)
                .chunk("data", 0xFFFFFFFFL, samples)
                .file(magic, "WAVE", 0xFFFFFFFFL);
        return new Case(container, SampleFormat.INT16, 1, file, new double[] {-1, 7 / 32768.0, 8 / 32768.0});
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource
    void everyKind(String name, Case sound) throws IOException {
        SoundInfo info = examine(sound.file());
        assertThat(info.container()).isEqualTo(sound.container());
        assertThat(info.sample()).isEqualTo(sound.sample());
        assertThat(info.rate().hertz()).isEqualTo(48_000);
        assertThat(info.frames()).isEqualTo(sound.interleaved().length / sound.channels());
        double[][] read = new double[sound.channels()][(int) info.frames()];
        try (PcmReader reader = new PcmReader(folder.resolve("file"), info)) {
            reader.read(0, (int) info.frames(), 0, read, 0);
        }
        for (int i = 0; i < sound.interleaved().length; i++) {
            assertThat(read[i % sound.channels()][i / sound.channels()]).isEqualTo(sound.interleaved()[i]);
        }
    }

    @Test
    void stepsOverUnknownAndOddChunksAndFindsBextBehindTheSound() throws IOException {
        byte[] file = SoundBytes.riff()
                .chunk("odd ", new byte[3])
                .format(1, 1, 44_100, 16)
                .chunk("LIST", new byte[11])
                .chunk("data", new byte[5])
                .chunk("junk", new byte[1])
                .broadcast(172_800_000L, "2026-05-17")
                .wave();
        SoundInfo info = examine(file);
        assertThat(info.frames()).as("the half frame at the end is no frame").isEqualTo(2);
        assertThat(info.broadcast().timeReference()).isEqualTo(172_800_000L);
        assertThat(info.broadcast().originationDate()).isEqualTo("2026-05-17");
    }

    @Test
    void readsAnyStretchOfAnyChannels() throws IOException {
        byte[] file = SoundBytes.riff()
                .format(1, 3, 48_000, 16)
                .chunk("data", integers(LITTLE_ENDIAN, 2, List.of(1L, 2L, 3L, 4L, 5L, 6L, 7L, 8L, 9L)))
                .wave();
        SoundInfo info = examine(file);
        double[][] into = new double[2][4];
        try (PcmReader reader = new PcmReader(folder.resolve("file"), info)) {
            reader.read(1, 2, 1, into, 1);
        }
        assertThat(into[0]).containsExactly(0, 5 / 32768.0, 8 / 32768.0, 0);
        assertThat(into[1]).containsExactly(0, 6 / 32768.0, 9 / 32768.0, 0);
    }

    private SoundInfo examine(byte[] bytes) throws IOException {
        Path file = Files.write(folder.resolve("file"), bytes);
        return SoundFile.examine(file);
    }
}
