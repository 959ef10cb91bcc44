package apodex.measure;

import apodex.time.SampleRate;
import java.util.Arrays;
import java.util.Optional;
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
    /** EBU Tech 3341: the short term is 3 s. */
    private static final int STEPS_IN_SHORT_TERM = 30;
    /** EBU Tech 3342, section 3: short-term values 20 LU below their mean do not count for the range. */
    private static final double RANGE_GATE_LU = -20;

    private static final double RANGE_LOW = 0.10;
    private static final double RANGE_HIGH = 0.95;

    private static final double[] SILENCE = new double[1_024];

    private final KWeighting[] channels;
    private final double[][] silence;
    private final int stepFrames;
    /** Mean square of each step of 100 ms, channels added. */
    private double[] steps = new double[256];

    private int stepCount;
    private double energy;
    private int inStep;

    public Loudness(SampleRate rate, int channelCount) {
        channels = new KWeighting[channelCount];
        for (int c = 0; c < channelCount; c++) {
            channels[c] = new KWeighting(rate);
        }
        silence = new double[channelCount][];
        Arrays.fill(silence, SILENCE);
        stepFrames = rate.hertz() / 10;
    }

    /** Takes the next stretch. @param block channels x frames */
    public void add(double[][] block, int frames) {
        for (int from = 0; from < frames; ) {
            int to = Math.min(frames, from + stepFrames - inStep);
            energy += energy(block, from, to);
            from = next(from, to);
        }
    }

    /** So many frames of silence, of which nothing has to be computed once the filters have come to rest. */
    void silence(int frames) {
        int rest = 0;
        while (rest < frames && !isSettled()) {
            int count = Math.min(SILENCE.length, frames - rest);
            add(silence, count);
            rest += count;
        }
        for (int from = rest; from < frames; ) {
            from = next(from, Math.min(frames, from + stepFrames - inStep));
        }
    }

    private int next(int from, int to) {
        inStep += to - from;
        if (inStep == stepFrames) {
            endStep();
        }
        return to;
    }

    private boolean isSettled() {
        for (KWeighting channel : channels) {
            if (!channel.isSettled()) {
                return false;
            }
        }
        return true;
    }

    private double energy(double[][] block, int from, int to) {
        if (channels.length == 2) {
            return KWeighting.energy(channels[0], channels[1], block[0], block[1], from, to);
        }
        double sum = 0;
        for (int c = 0; c < channels.length; c++) {
            sum += channels[c].energy(block[c], from, to);
        }
        return sum;
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

    /** All there is to say; empty when there is no {@link #integratedLufs}. */
    Optional<ProgrammeLoudness> whole() {
        OptionalDouble integrated = integratedLufs();
        if (integrated.isEmpty()) {
            return Optional.empty();
        }
        double[] momentary = means(STEPS_IN_BLOCK);
        double[] shortTerm = means(Math.min(STEPS_IN_SHORT_TERM, stepCount));
        return Optional.of(new ProgrammeLoudness(
                integrated.getAsDouble(),
                stepCount < STEPS_IN_SHORT_TERM ? 0 : rangeLu(shortTerm),
                lufs(Arrays.stream(momentary).max().orElse(0)),
                lufs(Arrays.stream(shortTerm).max().orElse(0))));
    }

    /** EBU Tech 3342: from the 10th to the 95th percentile of the short-term loudness that passes both gates. */
    private static double rangeLu(double[] shortTerm) {
        double mean = meanAbove(shortTerm, power(ABSOLUTE_GATE_LUFS));
        double gate = Math.max(power(ABSOLUTE_GATE_LUFS), mean * Math.pow(10, RANGE_GATE_LU / 10));
        double[] heard =
                Arrays.stream(shortTerm).filter(each -> each > gate).sorted().toArray();
        if (heard.length == 0) {
            return 0;
        }
        double low = heard[(int) Math.round((heard.length - 1) * RANGE_LOW)];
        double high = heard[(int) Math.round((heard.length - 1) * RANGE_HIGH)];
        return 10 * Math.log10(high / low);
    }

    private double meanAbove(double gate) {
        return meanAbove(means(STEPS_IN_BLOCK), gate);
    }

    private static double meanAbove(double[] blocks, double gate) {
        double sum = 0;
        int count = 0;
        for (double block : blocks) {
            if (block > gate) {
                sum += block;
                count++;
            }
        }
        return count == 0 ? 0 : sum / count;
    }

    /** Mean square of so many steps, from each step on. */
    private double[] means(int length) {
        double[] means = new double[Math.max(0, stepCount - length + 1)];
        for (int i = 0; i < means.length; i++) {
            double sum = 0;
            for (int k = 0; k < length; k++) {
                sum += steps[i + k];
            }
            means[i] = sum / length;
        }
        return means;
    }

    private static double lufs(double meanSquare) {
        return OFFSET + 10 * Math.log10(meanSquare);
    }

    private static double power(double lufs) {
        return Math.pow(10, (lufs - OFFSET) / 10);
    }
}
