package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Good files with random bytes changed, cut or repeated: each is either read to its last frame or refused with a
 * sentence, and nothing else ever happens.
 */
final class MutatedFilesTest {
    private static final int MUTATIONS = 150;

    @TempDir
    private Path folder;

    static IntStream seeds() {
        return IntStream.range(0, 24);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void areReadOrRefused(int seed) throws Exception {
        SplittableRandom random = new SplittableRandom(seed);
        byte[] good = seed % 6 == 5 ? flac() : good(seed % 6);
        int read = 0;
        for (int i = 0; i < MUTATIONS; i++) {
            byte[] bytes = mutated(good, random);
            Path file = Files.write(folder.resolve("file"), bytes);
            try {
                readAll(file);
                read++;
            } catch (SoundFileException e) {
                assertThat(e.getMessage()).endsWith(".").doesNotContain("null");
            } catch (RuntimeException | Error e) {
                Files.write(Path.of("target", "mutated-" + seed + "-" + i), bytes);
                fail("mutation " + i + " gave " + e, e);
            }
        }
        assertThat(read).as("a changed sample is still a sample").isPositive();
    }

    private void readAll(Path file) throws IOException {
        SoundInfo info = SoundFile.examine(file);
        Path sound = file;
        if (info.layout() == null) {
            sound = folder.resolve("decoded");
            Files.deleteIfExists(sound);
            FlacFile.decode(file, sound);
            info = SoundFile.examine(sound);
        }
        double[][] block = new double[info.channels()][100];
        try (PcmReader reader = new PcmReader(sound, info)) {
            for (long at = 0; at < info.frames(); at += 100) {
                reader.read(at, (int) Math.min(100, info.frames() - at), 0, block, 0);
            }
        }
    }

    private static byte[] mutated(byte[] good, SplittableRandom random) {
        byte[] bytes = good.clone();
        for (int change = 0; change <= random.nextInt(4); change++) {
            int at =
                    random.nextInt(3) == 0 ? random.nextInt(bytes.length) : random.nextInt(Math.min(120, bytes.length));
            bytes[at] = (byte) (random.nextBoolean() ? random.nextInt(256) : random.nextInt(2) * 255);
        }
        return random.nextInt(6) == 0 ? Arrays.copyOf(bytes, random.nextInt(bytes.length)) : bytes;
    }

    private static byte[] good(int kind) {
        byte[] samples = SoundBytes.integers(
                ByteOrder.LITTLE_ENDIAN,
                2,
                IntStream.range(0, 800).mapToObj(Long::valueOf).toList());
        return switch (kind) {
            case 0 ->
                SoundBytes.riff()
                        .broadcast(99, "2026-05-17")
                        .format(1, 2, 48_000, 16)
                        .chunk("data", samples)
                        .wave();
            case 1 ->
                SoundBytes.riff()
                        .extensible(1, 2, 48_000, 16)
                        .chunk("LIST", new byte[9])
                        .chunk("data", samples)
                        .wave();
            case 2 ->
                SoundBytes.riff()
                        .chunk("ds64", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 8, List.of(1_700L, 1_600L, 400L)))
                        .format(1, 2, 48_000, 16)
                        .chunk("data", 0xFFFFFFFFL, samples)
                        .file("RF64", "WAVE", 0xFFFFFFFFL);
            case 3 ->
                SoundBytes.aiff()
                        .common(2, 400, 16, 48_000, null)
                        .sound(samples)
                        .aiffFile("AIFF");
            default ->
                SoundBytes.aiff()
                        .common(2, 400, 16, 48_000, "sowt")
                        .sound(samples)
                        .aiffFile("AIFC");
        };
    }

    private byte[] flac() throws Exception {
        OutsideTools.run(
                folder, "sox", "-R", "-n", "-r", "48000", "-b", "16", "-c", "2", "in.wav", "synth", "0.3", "pinknoise");
        OutsideTools.run(folder, "flac", "-s", "-f", "in.wav");
        return Files.readAllBytes(folder.resolve("in.flac"));
    }
}
