package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Decoding judged by the reference encoder and by sox. */
final class FlacFileTest {
    @TempDir
    private Path folder;

    @ParameterizedTest(name = "{0} bits, {1} channels, {2} Hz")
    @CsvSource({"16,1,44100", "16,2,48000", "24,1,96000", "24,2,48000", "8,1,8000"})
    void decodesToTheSamplesThatWereEncoded(int bits, int channels, int hertz) throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                "-R",
                "-n",
                "-r",
                "" + hertz,
                "-c",
                "" + channels,
                "-b",
                "" + bits,
                "in.wav",
                "synth",
                "1.3",
                "pinknoise",
                "gain",
                "-6");
        OutsideTools.run(folder, "flac", "-s", "-o", "in.flac", "in.wav");
        Path decoded = folder.resolve("decoded.wav");
        FlacFile.decode(folder.resolve("in.flac"), decoded);
        SoundInfo told = SoundFile.examine(folder.resolve("in.flac"));
        assertThat(told.rate().hertz()).isEqualTo(hertz);
        assertThat(told.channels()).isEqualTo(channels);
        assertThat(told.frames()).isEqualTo((long) (1.3 * hertz));
        OutsideTools.run(folder, "sox", "in.wav", "-t", "f64", "expected.raw");
        OutsideTools.run(folder, "sox", "decoded.wav", "-t", "f64", "found.raw");
        assertThat(Files.readAllBytes(folder.resolve("found.raw")))
                .isNotEmpty()
                .isEqualTo(Files.readAllBytes(folder.resolve("expected.raw")));
    }

    @Test
    void refusesDamageInsteadOfGuessing() throws Exception {
        OutsideTools.run(folder, "sox", "-R", "-n", "-r", "48000", "-b", "24", "in.wav", "synth", "2", "pinknoise");
        OutsideTools.run(folder, "flac", "-s", "-o", "in.flac", "in.wav");
        byte[] good = Files.readAllBytes(folder.resolve("in.flac"));
        byte[] flipped = good.clone();
        for (int i = 0; i < 50; i++) {
            flipped[good.length / 2 + i] ^= 0x5A;
        }
        assertRefused(flipped, "damaged");
        byte[] cut = Arrays.copyOf(good, good.length / 2);
        assertRefused(cut, "");
        byte[] otherSum = good.clone();
        otherSum[8 + 18] ^= 1; // the first byte of the MD5 sum in the stream info
        assertRefused(otherSum, "checksum");
    }

    private void assertRefused(byte[] bytes, String words) throws Exception {
        Path file = Files.write(folder.resolve("bad.flac"), bytes);
        Path out = folder.resolve("out.wav");
        Files.deleteIfExists(out);
        assertThatThrownBy(() -> FlacFile.decode(file, out))
                .isInstanceOf(SoundFileException.class)
                .hasMessageContaining(words);
    }
}
