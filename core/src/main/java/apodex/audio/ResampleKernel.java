package apodex.audio;

import apodex.time.SampleRate;

/**
 * The low pass with which sound goes from one rate to another: a sinc under a Kaiser window (J. F. Kaiser, IEEE ISCAS
 * 1974), symmetric, so that nothing is shifted, laid out as one row of factors for every place an output frame can have
 * between two input frames.
 *
 * <p>With {@code n} the lower of both Nyquist frequencies it passes up to 0.908 n and stops from n on, 160 dB down: no
 * alias or image is let through at all. An output frame {@code m} stands at input time {@code m * in / out}.
 */
public final class ResampleKernel {
    private static final double PASS = 0.908;
    private static final double ATTENUATION_DB = 160;
    /** Kaiser's formulas for the window's shape and length. */
    private static final double BETA = 0.1102 * (ATTENUATION_DB - 8.7);
    /** Up to this many places each has its own row; beyond, rows are interpolated. */
    private static final int MOST_ROWS = 2_048;

    private static final int GRID_ROWS = 1_024;

    private final long up;
    private final long down;
    private final int half;
    private final boolean exact;
    private final double[][] rows;

    public ResampleKernel(SampleRate in, SampleRate out) {
        long divisor = java.math.BigInteger.valueOf(in.hertz())
                .gcd(java.math.BigInteger.valueOf(out.hertz()))
                .longValue();
        up = out.hertz() / divisor;
        down = in.hertz() / divisor;
        double nyquist = Math.min(in.hertz(), out.hertz()) / 2.0;
        double transition = 2 * Math.PI * (1 - PASS) * nyquist / in.hertz();
        half = (int) Math.ceil((ATTENUATION_DB - 7.95) / (2.285 * transition) / 2) + 1;
        double cutoff = (1 + PASS) / 2 * nyquist / in.hertz(); // cycles per input frame
        exact = up <= MOST_ROWS;
        int count = exact ? (int) up : GRID_ROWS + 4; // one row before the first and two after the last for a cubic
        rows = new double[count][2 * half];
        for (int r = 0; r < count; r++) {
            double place = exact ? (double) r / up : (double) (r - 1) / GRID_ROWS;
            for (int k = 0; k < 2 * half; k++) {
                rows[r][k] = factor(k - half + 1 - place, cutoff);
            }
        }
    }

    private double factor(double t, double cutoff) {
        double x = t / half;
        if (Math.abs(x) >= 1) {
            return 0;
        }
        double phase = 2 * Math.PI * cutoff * t;
        double sinc = t == 0 ? 1 : StrictMath.sin(phase) / phase;
        return 2 * cutoff * sinc * bessel(BETA * Math.sqrt(1 - x * x)) / bessel(BETA);
    }

    /** The modified Bessel function of order 0, by its series. */
    private static double bessel(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; term > sum * 1e-18; k++) {
            term *= x * x / (4.0 * k * k);
            sum += term;
        }
        return sum;
    }

    /** Input frames an output frame needs after its own place; one fewer before it. */
    public int half() {
        return half;
    }

    /** Output frames that {@code frames} input frames give. */
    public long framesOut(long frames) {
        return Math.floorDiv(frames * up + down - 1, down);
    }

    /** The input frame at or before an output frame. */
    public long inputOf(long output) {
        return Math.floorDiv(output * down, up);
    }

    /** How far behind that input frame the output frame lies, from 0 to below 1, as a count of {@link #up} parts. */
    private long placeOf(long output) {
        return Math.floorMod(output * down, up);
    }

    /**
     * One output frame.
     *
     * @param in    input samples; index {@code first} holds input frame {@code inputOf(output) - half + 1}
     */
    public double at(long output, double[] in, int first) {
        long place = placeOf(output);
        if (exact) {
            return dot(rows[(int) place], in, first);
        }
        double at = (double) place / up * GRID_ROWS;
        int row = (int) at;
        double x = at - row;
        double a = dot(rows[row], in, first);
        double b = dot(rows[row + 1], in, first);
        double c = dot(rows[row + 2], in, first);
        double d = dot(rows[row + 3], in, first);
        // Lagrange through four rows
        return a * -x * (x - 1) * (x - 2) / 6
                + b * (x + 1) * (x - 1) * (x - 2) / 2
                + c * -(x + 1) * x * (x - 2) / 2
                + d * (x + 1) * x * (x - 1) / 6;
    }

    /** Four sums side by side, always in the same order. */
    private static double dot(double[] factors, double[] in, int first) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int k = 0;
        for (; k + 3 < factors.length; k += 4) {
            a += factors[k] * in[first + k];
            b += factors[k + 1] * in[first + k + 1];
            c += factors[k + 2] * in[first + k + 2];
            d += factors[k + 3] * in[first + k + 3];
        }
        for (; k < factors.length; k++) {
            a += factors[k] * in[first + k];
        }
        return a + b + (c + d);
    }
}
