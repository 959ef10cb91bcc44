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
    static final double[][] PHASES = {
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

    private static final double[] SILENCE = new double[TAPS];
    private static final int PIECE = 256;
    /** The taps in the middle, which weigh most. */
    private static final int NEAR_TAPS = 4;

    private static final int FIRST_NEAR = TAPS / 2 - NEAR_TAPS / 2;
    /** Sums are rounded. */
    private static final double ROUNDING = 1 + 1e-9;

    private final Pair[] pairs;
    /** The last samples of each channel, before the stretch that is being looked at. */
    private final double[][] line;

    private double[] joined = new double[0];
    /** Sizes of the samples that count most, once for each of their taps, each time shifted by one. */
    private final double[][] near = new double[NEAR_TAPS][PIECE];
    /** No sample can be louder there, but for what the other taps add. */
    private final double[] bound = new double[PIECE];

    private final double[] backwards = new double[PIECE];

    private final double mostGain;
    private double peak;

    /** Which places of a pair are wanted. */
    private enum Wanted {
        BOTH,
        FIRST,
        SECOND
    }

    /**
     * Two places between two samples whose taps mirror each other.
     *
     * @param taps   of the first; of the second in reverse
     * @param gain   no sample there can be louder than this times the loudest sample it is made of
     * @param others what of the gain is not by the {@value #NEAR_TAPS} taps in the middle
     */
    private record Pair(double[] taps, double gain, double others, Wanted wanted) {
        static Pair of(double[] taps, Wanted wanted) {
            double gain = Arrays.stream(taps).map(Math::abs).sum();
            double middle = 0;
            for (int k = FIRST_NEAR; k < FIRST_NEAR + NEAR_TAPS; k++) {
                middle += Math.abs(taps[k]);
            }
            return new Pair(taps, gain, gain - middle, wanted);
        }
    }

    public TruePeak(SampleRate rate, int channelCount) {
        if (rate.hertz() >= ENOUGH_HERTZ) {
            pairs = new Pair[0];
        } else if (rate.hertz() >= ENOUGH_HERTZ / 2) {
            pairs = new Pair[] {Pair.of(PHASES[0], Wanted.FIRST), Pair.of(PHASES[1], Wanted.SECOND)};
        } else {
            pairs = new Pair[] {Pair.of(PHASES[0], Wanted.BOTH), Pair.of(PHASES[1], Wanted.BOTH)};
        }
        mostGain =
                Math.max(1, Arrays.stream(pairs).mapToDouble(Pair::gain).max().orElse(1));
        line = new double[channelCount][TAPS - 1];
    }

    /** Takes the next stretch. @param block channels x frames */
    public void add(double[][] block, int count) {
        add(block, count, Double.MAX_VALUE);
    }

    /** The same, with the loudest of its samples: where nothing louder than so far can lie, nothing is interpolated. */
    void add(double[][] block, int count, double loudest) {
        for (int c = 0; c < line.length; c++) {
            boolean dull = Math.max(loudest, Extremes.loudest(line[c], 0, TAPS - 1)) * mostGain <= peak;
            if (!dull) {
                join(c, block[c], count);
                for (int from = 0; from < count; from += PIECE) {
                    look(from, Math.min(PIECE, count - from));
                }
            }
            keep(c, block[c], count);
        }
    }

    /** So many frames of silence. */
    void silence(int count) {
        for (int c = 0; c < line.length; c++) {
            join(c, SILENCE, TAPS);
            look(0, TAPS);
            keep(c, SILENCE, Math.min(count, TAPS));
        }
    }

    /** What came before and the samples, with room for a whole piece more than they need. */
    private void join(int channel, double[] samples, int count) {
        if (joined.length < TAPS - 1 + count + PIECE) {
            joined = new double[TAPS - 1 + count + PIECE];
        }
        System.arraycopy(line[channel], 0, joined, 0, TAPS - 1);
        System.arraycopy(samples, 0, joined, TAPS - 1, count);
    }

    private void keep(int channel, double[] samples, int count) {
        int kept = Math.min(count, TAPS - 1);
        System.arraycopy(line[channel], kept, line[channel], 0, TAPS - 1 - kept);
        System.arraycopy(samples, count - kept, line[channel], TAPS - 1 - kept, kept);
    }

    /** Interpolates only where the samples are loud enough for something louder than so far to lie between them. */
    private void look(int from, int count) {
        double loudest = Extremes.loudest(joined, from, TAPS - 1 + count);
        if (loudest * mostGain <= peak) {
            return;
        }
        peak = Math.max(peak, loudest);
        boolean shifted = false;
        for (Pair pair : pairs) {
            if (loudest * pair.gain() > peak) {
                if (!shifted) {
                    shift(from);
                    shifted = true;
                }
                look(pair, from, count, loudest);
            }
        }
    }

    private void shift(int from) {
        for (int k = 0; k < NEAR_TAPS; k++) {
            System.arraycopy(joined, from + FIRST_NEAR + k, near[k], 0, PIECE);
            sizes(near[k]);
        }
    }

    private static void sizes(double[] samples) {
        for (int i = 0; i < PIECE; i++) {
            samples[i] = Math.abs(samples[i]);
        }
    }

    /** Most places are ruled out by what the taps in the middle can make there at the most: few are computed. */
    private void look(Pair pair, int from, int count, double loudest) {
        double a = Math.abs(pair.taps()[FIRST_NEAR]);
        double b = Math.abs(pair.taps()[FIRST_NEAR + 1]);
        double c = Math.abs(pair.taps()[FIRST_NEAR + 2]);
        double d = Math.abs(pair.taps()[FIRST_NEAR + 3]);
        weigh(near[0], a, near[1], b, near[2], c, near[3], d, bound);
        weigh(near[3], a, near[2], b, near[1], c, near[0], d, backwards);
        larger(bound, backwards);
        double others = pair.others() * loudest * ROUNDING;
        double enough = peak - others;
        for (int i = 0; i < count; i++) {
            if (bound[i] > enough) {
                peak = Math.max(peak, loudest(pair, from + i));
                enough = peak - others;
            }
        }
    }

    /** In two short loops: the compiler works on several places at once only where a loop is short. */
    private static void weigh(
            double[] one,
            double a,
            double[] two,
            double b,
            double[] three,
            double c,
            double[] four,
            double d,
            double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] = a * one[i] + b * two[i];
        }
        for (int i = 0; i < PIECE; i++) {
            out[i] += c * three[i] + d * four[i];
        }
    }

    private static void larger(double[] one, double[] other) {
        for (int i = 0; i < PIECE; i++) {
            one[i] = Math.max(one[i], other[i]);
        }
    }

    private double loudest(Pair pair, int at) {
        double first = 0;
        double second = 0;
        for (int k = 0; k < TAPS; k++) {
            first += pair.taps()[TAPS - 1 - k] * joined[at + k];
            second += pair.taps()[k] * joined[at + k];
        }
        return switch (pair.wanted()) {
            case BOTH -> Math.max(Math.abs(first), Math.abs(second));
            case FIRST -> Math.abs(first);
            case SECOND -> Math.abs(second);
        };
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
        peak = Extremes.loudest(samples, 0, count);
        keep(0, samples, count);
        return peak;
    }

    /** In dBTP; negative infinity for silence. */
    public double dbtp() {
        return Decibels.ofAmplitude(peak);
    }
}
