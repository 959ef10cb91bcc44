package apodex.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.session.Recording;
import apodex.signal.TestRecordings;
import apodex.time.FrameRange;
import java.io.IOException;
import java.nio.file.Path;
import java.util.SplittableRandom;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the pyramid answers against what looking at every sample gives. */
final class OverviewTest {
    @TempDir
    private Path folder;

    @ParameterizedTest(name = "{0} frames, {1} channels")
    @CsvSource({"1,1", "255,2", "256,1", "257,2", "5000,4", "70001,2", "16384,3"})
    void measuresAnyStretchExactlyAndDrawsEveryScale(int frames, int channels) throws IOException {
        SplittableRandom random = new SplittableRandom(frames);
        long[] interleaved = new long[frames * channels];
        double[][] samples = new double[channels][frames];
        for (int i = 0; i < interleaved.length; i++) {
            // Loud spots are rare, so that a bin taken too many or too few shows.
            interleaved[i] = random.nextInt(200) == 0 ? random.nextInt(-32_768, 32_768) : random.nextInt(-50, 50);
            samples[i % channels][i / channels] = interleaved[i] / 32_768.0;
        }
        TestRecordings recordings = new TestRecordings(folder);
        Recording recording = recordings.add("r", channels, 16, interleaved);
        try (Overview overview = recordings.overview(recording.sha256())) {
            for (int attempt = 0; attempt < 60; attempt++) {
                int a = random.nextInt(frames + 1);
                int b = random.nextInt(frames + 1);
                FrameRange range =
                        attempt == 0 ? new FrameRange(0, frames) : new FrameRange(Math.min(a, b), Math.max(a, b));
                assertMeasured(overview, samples, range);
            }
            for (int zoom = 0; zoom <= 8; zoom++) {
                assertDrawn(overview, samples, zoom, random.nextInt(4));
            }
        }
    }

    private static void assertMeasured(Overview overview, double[][] samples, FrameRange range) throws IOException {
        for (int first = 0; first < samples.length; first += 2) {
            int count = Math.min(2, samples.length - first);
            StereoImage image = overview.measure(first, count, range);
            double left = 0;
            double right = 0;
            double difference = 0;
            for (int i = (int) range.start(); i < range.end(); i++) {
                double l = samples[first][i];
                double r = samples[first + count - 1][i];
                left = Math.max(left, Math.abs(l));
                right = Math.max(right, Math.abs(r));
                difference = Math.max(difference, Math.abs(l - r));
            }
            assertThat(image.peakLeft()).as("left of %s", range).isCloseTo(left, within(1e-7));
            assertThat(image.peakRight()).as("right of %s", range).isCloseTo(right, within(1e-7));
            assertThat(image.peakDifference()).as("difference of %s", range).isCloseTo(difference, within(1e-7));
            assertThat(image.mono()).isEqualTo(count == 1);
        }
    }

    private static void assertDrawn(Overview overview, double[][] samples, int zoom, int firstBin) throws IOException {
        int size = 1 << 2 * zoom;
        float[][] drawn = overview.lowsAndHighs(zoom, firstBin, 7);
        int frames = samples[0].length;
        int bins = Math.max(0, Math.min(7, (frames + size - 1) / size - firstBin));
        for (int c = 0; c < samples.length; c++) {
            assertThat(drawn[c]).hasSize(2 * bins);
            for (int bin = 0; bin < bins; bin++) {
                double low = 1;
                double high = -1;
                for (int i = (firstBin + bin) * size; i < Math.min(frames, (firstBin + bin + 1) * size); i++) {
                    low = Math.min(low, samples[c][i]);
                    high = Math.max(high, samples[c][i]);
                }
                assertThat(drawn[c][2 * bin]).isEqualTo((float) low);
                assertThat(drawn[c][2 * bin + 1]).isEqualTo((float) high);
            }
        }
    }
}
