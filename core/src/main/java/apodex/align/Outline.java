package apodex.align;

import java.io.IOException;
import java.util.Arrays;

/**
 * A sound at a rate of some 4 kHz: enough to find it by, a fraction of the work. Sample {@code i} stands for frame
 * {@code i * step} of the sound.
 */
final class Outline {
    static final int HERTZ = 4_000;
    /** Sinc lobes to either side of the low-pass, in outline samples. */
    private static final int LOBES = 6;

    private static final double CUTOFF = 0.8;
    private static final int BLOCK_SAMPLES = 4_096;

    private final double[] samples;
    /** Frames of the sound for each sample. */
    private final double step;
    /** Which sample of the whole outline is the first here. */
    private final int first;

    private Outline(double[] samples, double step, int first) {
        this.samples = samples;
        this.step = step;
        this.first = first;
    }

    double[] samples() {
        return samples;
    }

    double step() {
        return step;
    }

    static Outline of(MonoSound sound) throws IOException {
        return piece(sound, 0, count(sound));
    }

    /** How many samples the outline of a sound has. */
    static int count(MonoSound sound) {
        return (int) (sound.frames() / step(sound));
    }

    static int step(MonoSound sound) {
        return Math.max(1, sound.rate().hertz() / HERTZ);
    }

    /** A piece of a sound's outline. @param start its first sample */
    static Outline piece(MonoSound sound, int start, int count) throws IOException {
        int step = step(sound);
        int half = LOBES * step;
        double[] kernel = lowPass(step, half);
        double[] samples = new double[count];
        double[] in = new double[Math.min(BLOCK_SAMPLES, count) * step + 2 * half];
        for (int first = 0; first < count; first += BLOCK_SAMPLES) {
            int here = Math.min(BLOCK_SAMPLES, count - first);
            sound.read((long) (start + first) * step - half, (here - 1) * step + 2 * half + 1, in);
            for (int i = 0; i < here; i++) {
                double sum = 0;
                for (int k = 0, at = i * step; k < kernel.length; k++) {
                    sum += kernel[k] * in[at + k];
                }
                samples[first + i] = sum;
            }
        }
        return new Outline(samples, step, start);
    }

    /** A sinc in a Hann window. */
    private static double[] lowPass(int step, int half) {
        double[] kernel = new double[2 * half + 1];
        double sum = 0;
        for (int i = -half; i <= half; i++) {
            double x = Math.PI * CUTOFF * i / step;
            kernel[i + half] = (i == 0 ? 1 : Math.sin(x) / x) * (0.5 + 0.5 * Math.cos(Math.PI * i / (half + 1)));
            sum += kernel[i + half];
        }
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] /= sum;
        }
        return kernel;
    }

    /** The same sound with {@code ratio} times as many samples to the second; frames are counted as before. */
    Outline stretched(double ratio) {
        if (ratio == 1) {
            return this;
        }
        return stretched(ratio, 0, (int) Math.floor(samples.length * ratio));
    }

    /** Samples to either side that stretching needs. */
    static int reach(double ratio) {
        return (int) Math.ceil(LOBES * 2 / Math.min(1, ratio));
    }

    /** Some samples of it stretched. @param start the first of them */
    Outline stretched(double ratio, int start, int count) {
        double[] out = new double[count];
        double narrow = Math.min(1, ratio);
        int half = reach(ratio);
        for (int i = 0; i < out.length; i++) {
            double centre = (start + i) / ratio - first;
            int from = Math.max(0, (int) Math.ceil(centre - half));
            int to = Math.min(samples.length - 1, (int) Math.floor(centre + half));
            double sum = 0;
            for (int k = from; k <= to; k++) {
                double distance = (k - centre) * narrow;
                double x = Math.PI * distance;
                double sinc = Math.abs(x) < 1e-9 ? 1 : Math.sin(x) / x;
                sum += samples[k] * sinc * (0.5 + 0.5 * Math.cos(Math.PI * (k - centre) / (half + 1))) * narrow;
            }
            out[i] = sum;
        }
        return new Outline(out, step / ratio, start);
    }

    /** Energy of {@code count} samples from {@code first} on. */
    double energy(int first, int count) {
        double sum = 0;
        for (int i = Math.max(0, first); i < Math.min(samples.length, first + count); i++) {
            sum += samples[i] * samples[i];
        }
        return sum;
    }

    boolean isSilent() {
        return Arrays.stream(samples).allMatch(sample -> sample == 0);
    }
}
