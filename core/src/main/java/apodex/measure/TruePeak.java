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

    private static final double[] SILENCE = new double[TAPS];
    private static final int PIECE = 256;

    private final Pair[] pairs;
    /** The last samples of each channel, before the stretch that is being looked at. */
    private final double[][] line;

    private double[] joined = new double[0];
    private final double[][] shift = new double[TAPS][PIECE];
    private final double[] even = new double[PIECE];
    private final double[] odd = new double[PIECE];
    private final double[] highest = new double[PIECE];
    private final double mostGain;
    private double peak;

    /** Which places of a pair are wanted. */
    private enum Wanted {
        BOTH,
        FIRST,
        SECOND
    }

    /**
     * Two places between two samples whose taps mirror each other: the sums of samples that lie opposite, and their differences, serve
     * both, once added and once taken from each other.
     *
     * @param even taps of the sums
     * @param odd  taps of the differences
     * @param gain no sample there can be louder than this times the loudest sample it is made of
     */
    private record Pair(double[] even, double[] odd, double gain, Wanted wanted) {
        static Pair of(double[] taps, Wanted wanted) {
            double[] even = new double[TAPS / 2];
            double[] odd = new double[TAPS / 2];
            for (int k = 0; k < TAPS / 2; k++) {
                even[k] = (taps[TAPS - 1 - k] + taps[k]) / 2;
                odd[k] = (taps[TAPS - 1 - k] - taps[k]) / 2;
            }
            return new Pair(even, odd, Arrays.stream(taps).map(Math::abs).sum(), wanted);
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
                    for (int k = 0; k < TAPS; k++) {
                        System.arraycopy(joined, from + k, shift[k], 0, PIECE);
                    }
                    shifted = true;
                }
                interpolate(pair);
                peak = Math.max(peak, Extremes.highest(highest, 0, count));
            }
        }
    }

    /** The samples lie there once for each tap, each time shifted by one: so the compiler works on several of them at once. */
    private void interpolate(Pair pair) {
        Arrays.fill(even, 0);
        Arrays.fill(odd, 0);
        for (int k = 0; k < TAPS / 2; k += 3) {
            int last = TAPS - 1 - k;
            addSums(shift[k], shift[last], pair.even[k], shift[k + 1], shift[last - 1], pair.even[k + 1], even);
            addSum(shift[k + 2], shift[last - 2], pair.even[k + 2], even);
            addDifferences(shift[k], shift[last], pair.odd[k], shift[k + 1], shift[last - 1], pair.odd[k + 1], odd);
            addDifference(shift[k + 2], shift[last - 2], pair.odd[k + 2], odd);
        }
        switch (pair.wanted()) {
            case BOTH -> louderOfBoth(even, odd, highest);
            case FIRST -> sumOf(even, odd, highest);
            case SECOND -> differenceOf(even, odd, highest);
        }
    }

    private static void addSums(
            double[] a, double[] b, double gain, double[] c, double[] d, double other, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] += gain * (a[i] + b[i]) + other * (c[i] + d[i]);
        }
    }

    private static void addSum(double[] a, double[] b, double gain, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] += gain * (a[i] + b[i]);
        }
    }

    private static void addDifferences(
            double[] a, double[] b, double gain, double[] c, double[] d, double other, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] += gain * (a[i] - b[i]) + other * (c[i] - d[i]);
        }
    }

    private static void addDifference(double[] a, double[] b, double gain, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] += gain * (a[i] - b[i]);
        }
    }

    /** The louder of sum and difference is the sum of both sizes. */
    private static void louderOfBoth(double[] even, double[] odd, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] = Math.abs(even[i]) + Math.abs(odd[i]);
        }
    }

    private static void sumOf(double[] even, double[] odd, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] = Math.abs(even[i] + odd[i]);
        }
    }

    private static void differenceOf(double[] even, double[] odd, double[] out) {
        for (int i = 0; i < PIECE; i++) {
            out[i] = Math.abs(even[i] - odd[i]);
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
        peak = Extremes.loudest(samples, 0, count);
        keep(0, samples, count);
        return peak;
    }

    /** In dBTP; negative infinity for silence. */
    public double dbtp() {
        return Decibels.ofAmplitude(peak);
    }
}
