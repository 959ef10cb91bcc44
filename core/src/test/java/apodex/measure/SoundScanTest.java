package apodex.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class SoundScanTest {
    private static final SampleRate RATE = new SampleRate(48_000);

    @TempDir
    private Path folder;

    private SoundScan scan(int channels, double... samples) throws IOException {
        Path file = Files.write(
                folder.resolve("x.wav"),
                SoundBytes.riff()
                        .format(3, channels, 48_000, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                        .wave());
        try (PcmReader in = new PcmReader(file, SoundFile.examine(file))) {
            SoundScan scan = SoundScan.of(in, RATE);
            Path kept = folder.resolve("kept");
            scan.write(kept);
            return SoundScan.read(kept);
        }
    }

    @Test
    void runsOfFullScaleAreFoundWhereTheyAreAcrossBlocksAndToTheEnd() throws IOException {
        double[] samples = new double[3 * SoundScan.BLOCK_FRAMES];
        java.util.Arrays.fill(samples, 100, 102, 1.0); // too short
        java.util.Arrays.fill(samples, SoundScan.BLOCK_FRAMES - 2, SoundScan.BLOCK_FRAMES + 3, -1.0);
        java.util.Arrays.fill(samples, samples.length - 3, samples.length, 1.5);
        assertThat(scan(1, samples).runs())
                .containsExactly(
                        new SoundScan.Run(0, SoundScan.BLOCK_FRAMES - 2, 5),
                        new SoundScan.Run(0, samples.length - 3L, 3));
        assertThat(apodex.audio.SampleFormat.INT16.fullScale()).isEqualTo(32_767.0 / 32_768);
    }

    @Test
    void truePeakOffsetAndCorrelationOfAStretch() throws IOException {
        int frames = 8 * SoundScan.BLOCK_FRAMES;
        double[] samples = new double[2 * frames];
        for (int i = 0; i < frames; i++) {
            boolean late = i >= frames / 2;
            // 12 kHz sampled at 45 degrees: its samples stand 3.01 dB below its peak of 0.7
            samples[2 * i] = 0.7 * Math.sin(Math.PI / 2 * i + Math.PI / 4) + (late ? 0.05 : 0);
            samples[2 * i + 1] = (late ? 1 : -0.5) * 0.7 * Math.sin(Math.PI / 2 * i + Math.PI / 4);
        }
        SoundScan scan = scan(2, samples);
        SoundScan.Piece early = scan.measure(0, 2, new FrameRange(0, frames / 2));
        assertThat(20 * Math.log10(early.truePeak() / 0.7))
                .as("within what the standard's filter is good for")
                .isEqualTo(0, within(0.4));
        assertThat(early.correlation()).isEqualTo(-1, within(1e-6));
        assertThat(early.offset()).isEqualTo(0, within(1e-4));
        SoundScan.Piece late = scan.measure(0, 2, new FrameRange(frames / 2, frames));
        assertThat(late.offset()).isEqualTo(0.05, within(1e-4));
        assertThat(late.correlation()).isGreaterThan(0.99);
        assertThat(scan.measure(1, 1, new FrameRange(0, frames)).correlation())
                .as("one side goes with itself")
                .isEqualTo(1);
        assertThat(scan.measure(0, 2, new FrameRange(frames, frames + 10))).isEqualTo(new SoundScan.Piece(0, 0, 0, 1));
    }

    @Test
    void aMarkIsSharedByTheSameSoundAlone() throws IOException {
        double[] one = {0.1, -0.2, 0.3, 0.25};
        assertThat(scan(1, one).mark(0)).isEqualTo(scan(1, one.clone()).mark(0)).isNotZero();
        assertThat(scan(1, 0.1, -0.2, 0.25, 0.3).mark(0))
                .isNotEqualTo(scan(1, one).mark(0));
        assertThat(scan(1, 0, 0.1, -0.2, 0.3).mark(0))
                .as("a frame later")
                .isNotEqualTo(scan(1, 0.1, -0.2, 0.3, 0).mark(0));
        assertThat(scan(2, 0, 0.5, 0, 0.5).mark(0)).isZero();
    }
}
