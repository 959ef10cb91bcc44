package apodex.measure;

import apodex.time.SampleRate;
import java.util.Arrays;

/**
 * True peak after ITU-R BS.1770-4, annex 2: the loudest sample after raising the rate four times with the filter printed
 * there (of rates from 96 kHz on twice, from 192 kHz on not at all). The samples themselves count as well.
 */
public final class TruePeak {
    private static final int ENOUGH_HERTZ = 192_000;
    private static final int TAPS = 12;
    /** Annex 2: the 48 coefficients of the interpolating filter, by phase. The last two phases mirror the first two. */
    private static final double[][] PHASES = {
        {
            0.0017089843750,
            0.0109863281250,
            -0.0196533203125,
            0.0332031250000,
            -0.0594482421875,
            0.1373291015625,
            0.9721679687500,
            -0.1022949218750,
            0.0476074218750,
            -0.0266113281250,
            0.0148925781250,
            -0.0083007812500
        },
        {
            -0.0291748046875,
            0.0292968750000,
            -0.0517578125000,
            0.0891113281250,
            -0.1665039062500,
            0.4650878906250,
            0.7797851562500,
            -0.2003173828125,
            0.1015625000000,
            -0.0582275390625,
            0.0330810546875,
            -0.0189208984375
        },
        {
            -0.0189208984375,
            0.0330810546875,
            -0.0582275390625,
            0.1015625000000,
            -0.2003173828125,
            0.7797851562500,
            0.4650878906250,
            -0.1665039062500,
            0.0891113281250,
            -0.0517578125000,
            0.0292968750000,
            -0.0291748046875
        },
        {
            -0.0083007812500,
            0.0148925781250,
            -0.0266113281250,
            0.0476074218750,
            -0.1022949218750,
            0.9721679687500,
            0.1373291015625,
            -0.0594482421875,
            0.0332031250000,
            -0.0196533203125,
            0.0109863281250,
            0.0017089843750
        }
    };

    private static final int PIECE = 256;
    /** No interpolated sample can be louder than this times the loudest sample it is made of. */
    private static final double MOST_GAIN = Arrays.stream(PHASES)
            .mapToDouble(phase -> Arrays.stream(phase).map(Math::abs).sum())
            .max()
            .orElseThrow();

    private final double[][] phases;
    /** The last samples of each channel, before the stretch that is being looked at. */
    private final double[][] line;

    private double[] joined = new double[0];
    private double peak;

    public TruePeak(SampleRate rate, int channelCount) {
        boolean high = rate.hertz() >= ENOUGH_HERTZ / 2;
        phases = rate.hertz() >= ENOUGH_HERTZ ? new double[0][] : high ? new double[][] {PHASES[0], PHASES[2]} : PHASES;
        line = new double[channelCount][TAPS - 1];
    }

    /** Takes the next stretch. @param block channels x frames */
    public void add(double[][] block, int count) {
        for (int c = 0; c < line.length; c++) {
            if (joined.length < TAPS - 1 + count) {
                joined = new double[TAPS - 1 + count];
            }
            System.arraycopy(line[c], 0, joined, 0, TAPS - 1);
            System.arraycopy(block[c], 0, joined, TAPS - 1, count);
            for (int from = 0; from < count; from += PIECE) {
                look(from, Math.min(PIECE, count - from));
            }
            System.arraycopy(joined, count, line[c], 0, TAPS - 1);
        }
    }

    /** Interpolates only where the samples are loud enough for something louder than so far to lie between them. */
    private void look(int from, int count) {
        double loudest = 0;
        for (int i = from; i < from + TAPS - 1 + count; i++) {
            loudest = Math.max(loudest, Math.abs(joined[i]));
        }
        if (loudest * MOST_GAIN <= peak) {
            return;
        }
        for (int i = from + TAPS - 1; i < from + TAPS - 1 + count; i++) {
            peak = Math.max(peak, Math.abs(joined[i]));
        }
        for (double[] phase : phases) {
            peak = Math.max(peak, loudest(phase, joined, from, count));
        }
    }

    /** Where a peak is looked for. */
    enum Looking {
        AT_SAMPLES,
        BETWEEN_SAMPLES_TOO
    }

    /** The peak of the next stretch of the only channel, as an amplitude. */
    double peakOf(double[] samples, int count, Looking looking) {
        peak = 0;
        if (looking == Looking.BETWEEN_SAMPLES_TOO) {
            add(new double[][] {samples}, count);
            return peak;
        }
        for (int i = 0; i < count; i++) {
            peak = Math.max(peak, Math.abs(samples[i]));
        }
        int kept = Math.min(count, TAPS - 1);
        System.arraycopy(line[0], kept, line[0], 0, TAPS - 1 - kept);
        System.arraycopy(samples, count - kept, line[0], TAPS - 1 - kept, kept);
        return peak;
    }

    private static double loudest(double[] phase, double[] joined, int from, int count) {
        double most = 0;
        for (int i = from; i < from + count; i++) {
            double sum = 0;
            for (int k = 0; k < TAPS; k++) {
                sum += phase[k] * joined[i + TAPS - 1 - k];
            }
            most = Math.max(most, Math.abs(sum));
        }
        return most;
    }

    /** In dBTP; negative infinity for silence. */
    public double dbtp() {
        return Decibels.ofAmplitude(peak);
    }
}
