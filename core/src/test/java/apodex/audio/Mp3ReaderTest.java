package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** MP3s that another encoder made. */
class Mp3ReaderTest {
    @TempDir
    private Path folder;

    @ParameterizedTest
    @CsvSource({"48000, 1, -b:a 192k", "44100, 2, -b:a 256k", "44100, 2, -q:a 2", "48000, 2, -b:a 128k"})
    void beginsAndEndsWithWhatWentIn(int hertz, int channels, String how) throws Exception {
        int frames = 3 * hertz + 77;
        SplittableRandom random = new SplittableRandom(5);
        double[] samples = new double[frames * channels];
        double smooth = 0;
        for (int i = 0; i < frames; i++) {
            smooth += 0.05 * (random.nextDouble() - 0.5 - smooth);
            double loud = i / 4_000 % 3 == 0 ? 1.5 : 0.2;
            for (int c = 0; c < channels; c++) {
                samples[i * channels + c] = smooth * loud * (c == 0 ? 1 : 0.5);
            }
        }
        Path wav = folder.resolve("in.wav");
        Files.write(
                wav,
                SoundBytes.riff()
                        .format(3, channels, hertz, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                        .wave());
        Path mp3 = folder.resolve("made.mp3");
        OutsideTools.run(folder, ("ffmpeg -nostdin -loglevel error -i in.wav " + how + " made.mp3").split(" "));
        assertThat(Mp3Reader.isMp3(mp3)).isTrue();
        assertThat(Mp3Reader.isMp3(wav)).isFalse();
        Path out = folder.resolve("out.wav");
        Mp3Reader.decode(mp3, out);
        SoundInfo info = SoundFile.examine(out);
        assertThat(info.rate().hertz()).isEqualTo(hertz);
        assertThat(info.channels()).isEqualTo(channels);
        assertThat(info.frames()).isEqualTo(frames);
        double[][] read = new double[channels][frames];
        try (PcmReader in = new PcmReader(out, info)) {
            in.read(0, frames, 0, read, 0);
        }
        for (int c = 0; c < channels; c++) {
            double product = 0;
            double one = 0;
            double other = 0;
            for (int i = 0; i < frames; i++) {
                double sample = samples[i * channels + c];
                product += sample * read[c][i];
                one += sample * sample;
                other += read[c][i] * read[c][i];
            }
            assertThat(product / Math.sqrt(one * other))
                    .as("side %d, sample for sample", c)
                    .isGreaterThan(0.97);
        }
    }

    @Test
    void whatIsNoneIsSaidAndNothingIsLeftBehind() throws Exception {
        Path file = Files.write(folder.resolve("x.mp3"), "ID3 and nothing else at all, for long enough".getBytes());
        assertThatThrownBy(() -> Mp3Reader.decode(file, folder.resolve("x.wav")))
                .isInstanceOf(SoundFileException.class);
        try (var left = Files.list(folder)) {
            assertThat(left).containsExactly(file);
        }
    }
}
