package apodex.measure;

import apodex.time.SampleRate;
import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * Integrated loudness after ITU-R BS.1770-4, annex 1: mean square of the K-weighted channels over blocks of 400 ms that
 * overlap by three quarters, gated at -70 LUFS and then 10 LU below the mean of what is left. All channels weigh 1, as
 * left and right do.
 */
public final class Loudness {
    private static final double OFFSET = -0.691;
    private static final double ABSOLUTE_GATE_LUFS = -70;
    private static final double RELATIVE_GATE_LU = -10;
    private static final int STEPS_IN_BLOCK = 4;

    private final KWeighting[] channels;
    private final int stepFrames;
    /** Mean square of each step of 100 ms, channels added. */
    private double[] steps = new double[1_024];

    private int stepCount;
    private double energy;
    private int inStep;

    public Loudness(SampleRate rate, int channelCount) {
        channels = new KWeighting[channelCount];
        for (int c = 0; c < channelCount; c++) {
            channels[c] = new KWeighting(rate);
        }
        stepFrames = rate.hertz() / 10;
    }

    /** Takes the next stretch. @param block channels x frames */
    public void add(double[][] block, int frames) {
        for (int from = 0; from < frames; ) {
            int to = Math.min(frames, from + stepFrames - inStep);
            for (int c = 0; c < channels.length; c++) {
                energy += channels[c].energy(block[c], from, to);
            }
            inStep += to - from;
            from = to;
            if (inStep == stepFrames) {
                endStep();
            }
        }
    }

    private void endStep() {
        if (stepCount == steps.length) {
            steps = Arrays.copyOf(steps, 2 * steps.length);
        }
        steps[stepCount++] = energy / stepFrames;
        energy = 0;
        inStep = 0;
    }

    /** In LUFS; empty when no block is louder than the absolute gate, as with silence or less than 400 ms. */
    public OptionalDouble integratedLufs() {
        double mean = meanAbove(power(ABSOLUTE_GATE_LUFS));
        if (mean == 0) {
            return OptionalDouble.empty();
        }
        double gate = Math.max(ABSOLUTE_GATE_LUFS, lufs(mean) + RELATIVE_GATE_LU);
        return OptionalDouble.of(lufs(meanAbove(power(gate))));
    }

    private double meanAbove(double gate) {
        double sum = 0;
        int count = 0;
        for (int i = 0; i + STEPS_IN_BLOCK <= stepCount; i++) {
            double block = (steps[i] + steps[i + 1] + steps[i + 2] + steps[i + 3]) / STEPS_IN_BLOCK;
            if (block > gate) {
                sum += block;
                count++;
            }
        }
        return count == 0 ? 0 : sum / count;
    }

    private static double lufs(double meanSquare) {
        return OFFSET + 10 * Math.log10(meanSquare);
    }

    private static double power(double lufs) {
        return Math.pow(10, (lufs - OFFSET) / 10);
    }
}
