package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.time.SampleRate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tones through the resampler against the tones they must become. */
final class ResamplerTest {
    /** A tone in, the stretch of output that no edge reaches, out. */
    private static double[] resample(int in, int out, double hertz, int seconds) {
        ResampleKernel kernel = new ResampleKernel(new SampleRate(in), new SampleRate(out));
        StreamResampler stream = new StreamResampler(kernel);
        int frames = in * seconds / 4;
        double[] tone = new double[frames];
        for (int i = 0; i < frames; i++) {
            tone[i] = Math.sin(2 * Math.PI * hertz * i / in);
        }
        double[] result = new double[(int) kernel.framesOut(frames) + 2];
        double[] piece = new double[(int) kernel.framesOut(1_000) + 2];
        int at = 0;
        for (int from = 0; from < frames; from += 1_000) { // in stretches, as it comes
            int to = Math.min(frames, from + 1_000);
            double[] stretch = java.util.Arrays.copyOfRange(tone, from, to);
            int count = stream.process(stretch, 0, to - from, from, piece);
            System.arraycopy(piece, 0, result, at, count);
            at += count;
        }
        return java.util.Arrays.copyOf(result, at);
    }

    /** Greatest difference from {@code amplitude sin}, in dB relative to full scale, away from the edges. */
    private static double errorDb(double[] samples, int rate, double hertz, double amplitude, int margin) {
        double worst = 0;
        for (int i = margin; i < samples.length - margin; i++) {
            worst = Math.max(worst, Math.abs(samples[i] - amplitude * Math.sin(2 * Math.PI * hertz * i / rate)));
        }
        assertThat(samples.length).isGreaterThan(2 * margin + 500);
        return 20 * Math.log10(worst);
    }

    @ParameterizedTest(name = "{0} to {1}: {2} Hz")
    @CsvSource({
        "48000, 44100, 997",
        "48000, 44100, 10000",
        "48000, 44100, 20000",
        "44100, 48000, 19800",
        "96000, 48000, 21000",
        "48000, 96000, 21500",
        "192000, 44100, 20000",
        "44100, 192000, 19000",
        "8000, 48000, 3500",
        "48000, 8000, 3600",
        "47952, 48000, 15000",
        "47999, 48000, 20000"
    })
    void tonesInThePassBandComeOutAlikeAlignedToTheSample(int in, int out, double hertz) {
        // 0.005 dB is a difference of 5.8e-4; the filter is far better than that, and any shift would show
        double error = errorDb(resample(in, out, hertz, 2), out, hertz, 1, 800 * Math.max(1, out / in));
        assertThat(error).isLessThan(-120);
    }

    @ParameterizedTest(name = "{0} to {1}: {2} Hz")
    @CsvSource({
        "48000, 44100, 22060",
        "48000, 44100, 23000",
        "48000, 44100, 23990",
        "96000, 48000, 24010",
        "96000, 48000, 40000",
        "192000, 44100, 60000"
    })
    void tonesThatDoNotFitLeaveNoAlias(int in, int out, double hertz) {
        double[] samples = resample(in, out, hertz, 2);
        double peak = 0;
        for (int i = 2_000; i < samples.length - 2_000; i++) {
            peak = Math.max(peak, Math.abs(samples[i]));
        }
        assertThat(20 * Math.log10(peak)).isLessThan(-150);
    }

    @Test
    void imagesStayBelow150Db() {
        // 21 kHz at 44.1 has its first image at 23.1 kHz; what is left beside the tone at 96 kHz must hold no image
        double hertz = 19_990;
        double[] samples = resample(44_100, 96_000, hertz, 2);
        double image = 44_100 - hertz;
        double re = 0;
        double im = 0;
        double weights = 0;
        int from = 4_000;
        int count = samples.length - 2 * from;
        for (int i = 0; i < count; i++) { // a Blackman-Harris window keeps the tone itself out
            double x = 2 * Math.PI * i / count;
            double w = 0.35875 - 0.48829 * Math.cos(x) + 0.14128 * Math.cos(2 * x) - 0.01168 * Math.cos(3 * x);
            double residue = samples[from + i] - Math.sin(2 * Math.PI * hertz * (from + i) / 96_000);
            re += w * residue * Math.cos(2 * Math.PI * image * i / 96_000);
            im += w * residue * Math.sin(2 * Math.PI * image * i / 96_000);
            weights += w;
        }
        assertThat(20 * Math.log10(2 * Math.hypot(re, im) / weights)).isLessThan(-150);
    }

    @ParameterizedTest(name = "{0} to {1}")
    @CsvSource({"48000, 44100", "44100, 48000", "96000, 44100"})
    void anImpulseIsAnsweredSymmetrically(int in, int out) {
        ResampleKernel kernel = new ResampleKernel(new SampleRate(in), new SampleRate(out));
        int centre = in / 100 * 10; // both rates have a frame there
        double[] impulse = new double[centre * 2];
        impulse[centre] = 1;
        double[] result = new double[(int) kernel.framesOut(impulse.length) + 2];
        int count = new StreamResampler(kernel).process(impulse, 0, impulse.length, 0, result);
        int middle = out / 100 * 10;
        assertThat(count).isGreaterThan(middle + 100);
        for (int i = 1; i < 100; i++) {
            assertThat(result[middle + i]).isCloseTo(result[middle - i], within(1e-12));
        }
    }

    @Test
    void lengthsAreThoseThatTheRatesGive() {
        ResampleKernel down = new ResampleKernel(new SampleRate(48_000), new SampleRate(44_100));
        assertThat(down.framesOut(48_000)).isEqualTo(44_100);
        assertThat(down.framesOut(1)).isEqualTo(1);
        assertThat(down.framesOut(0)).isZero();
        assertThat(down.inputOf(147)).isEqualTo(160);
    }
}
