package apodex.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.time.SampleRate;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is ruled out before it is computed must not be missed: every place of every sound, computed plainly, holds nothing louder. */
final class TruePeakTest {
    private static final int TAPS = 12;

    @ParameterizedTest(name = "{0} Hz, {1} channels, seed {2}")
    @CsvSource({"48000, 1, 1", "44100, 2, 2", "48000, 2, 3", "96000, 1, 4", "88200, 2, 5", "192000, 2, 6"})
    void nothingLouderIsMissed(int hertz, int channels, long seed) {
        Random random = new Random(seed);
        for (int sound = 0; sound < 60; sound++) {
            double[][] samples = sound(channels, 1 + random.nextInt(3_000), random);
            TruePeak peak = new TruePeak(new SampleRate(hertz), channels);
            for (int from = 0; from < samples[0].length; ) {
                int count = Math.min(samples[0].length - from, 1 + random.nextInt(700));
                int start = from;
                double[][] piece = Arrays.stream(samples)
                        .map(side -> Arrays.copyOfRange(side, start, start + count))
                        .toArray(double[][]::new);
                double loudest = Arrays.stream(piece)
                        .flatMapToDouble(Arrays::stream)
                        .map(Math::abs)
                        .max()
                        .orElse(0);
                if (loudest == 0) {
                    peak.silence(count);
                } else {
                    peak.add(piece, count, loudest);
                }
                from += count;
            }
            double plain = 20 * Math.log10(plainly(samples, hertz));
            assertThat(peak.dbtp()).as("sound %d", sound).isCloseTo(plain, within(1e-9));
        }
    }

    /** The most that can lie between samples of one size, and a spike somewhere else that is hardly lower. */
    @ParameterizedTest(name = "place {0}")
    @ValueSource(ints = {0, 1, 2, 3})
    void whatEveryTapAddsToIsNotRuledOut(int phase) {
        double[] taps = TruePeak.PHASES[phase];
        double gain = Arrays.stream(taps).map(Math::abs).sum();
        double[] side = new double[3_000];
        side[100] = 0.97;
        for (int k = 0; k < TAPS; k++) {
            side[2_000 - k] = Math.signum(taps[k]) / gain;
        }
        TruePeak peak = new TruePeak(new SampleRate(48_000), 1);
        peak.add(new double[][] {side}, side.length);
        assertThat(peak.dbtp())
                .isGreaterThanOrEqualTo(-1e-9)
                .isCloseTo(20 * Math.log10(plainly(new double[][] {side}, 48_000)), within(1e-9));
    }

    /** Noise with bursts, silence and spikes, so that what is ruled out changes all the time. */
    private static double[][] sound(int channels, int frames, Random random) {
        double[][] samples = new double[channels][frames];
        double level = 0.1;
        for (int i = 0; i < frames; i++) {
            if (random.nextInt(90) == 0) {
                level = random.nextInt(3) == 0 ? 0 : Math.pow(10, -3 * random.nextDouble());
            }
            for (double[] side : samples) {
                side[i] = level * (2 * random.nextDouble() - 1);
            }
        }
        samples[0][random.nextInt(frames)] = 0.7;
        return samples;
    }

    /** BS.1770-4, annex 2: all four places between any two samples; of 96 kHz two, of 192 kHz none but the samples. */
    private static double plainly(double[][] samples, int hertz) {
        double most = 0;
        for (double[] side : samples) {
            for (int i = 0; i < side.length; i++) {
                most = Math.max(most, Math.abs(side[i]));
                for (int phase = 0; phase < 4; phase++) {
                    boolean wanted = hertz < 96_000 || hertz < 192_000 && phase % 2 == 0;
                    double sum = 0;
                    for (int k = 0; k < TAPS && k <= i; k++) {
                        sum += TruePeak.PHASES[phase][k] * side[i - k];
                    }
                    most = wanted ? Math.max(most, Math.abs(sum)) : most;
                }
            }
        }
        return most;
    }
}
