package apodex.effect;

/**
 * Logarithm and power of two for level detectors: series of fixed length, the same bits on every machine, wrong by less
 * than 1e-9 (a hundred-millionth of a dB), several times as fast as the general ones.
 */
final class LevelMath {
    /** dB per doubling of an amplitude. */
    static final double DB_PER_OCTAVE = 20 * 0.301029995663981195;

    private static final double SQRT_HALF = 0.70710678118654752;
    private static final double TWO_OVER_LN2 = 2 / 0.69314718055994531;
    private static final double LN2 = 0.69314718055994531;
    static final long SQRT_HALF_BITS = Double.doubleToRawLongBits(SQRT_HALF);
    /** 2 to the power of minus the index: every halving a level detector can ask for, up to that of the largest double. */
    static final double[] HALVINGS = new double[1_200];

    static {
        for (int i = 0; i < HALVINGS.length; i++) {
            HALVINGS[i] = Math.scalb(1.0, -i);
        }
    }

    private LevelMath() {}

    /** log2 of a number from sqrt(1/2) to sqrt(2), by the series of artanh((m-1)/(m+1)). */
    static double log2OfMantissa(double m) {
        double t = (m - 1) / (m + 1);
        double t2 = t * t;
        return TWO_OVER_LN2 * t * (1 + t2 * (1 / 3.0 + t2 * (1 / 5.0 + t2 * (1 / 7.0 + t2 * (1 / 9.0)))));
    }

    /** 2 to the power of {@code f}, from -1/2 to 1/2, by the series of exp. */
    static double exp2OfFraction(double f) {
        double x = f * LN2;
        return 1
                + x
                        * (1
                                + x
                                        * (1 / 2.0
                                                + x
                                                        * (1 / 6.0
                                                                + x
                                                                        * (1 / 24.0
                                                                                + x
                                                                                        * (1 / 120.0
                                                                                                + x
                                                                                                        * (1 / 720.0
                                                                                                                + x
                                                                                                                        * (1
                                                                                                                                        / 5040.0
                                                                                                                                + x
                                                                                                                                        * (1
                                                                                                                                                / 40320.0))))))));
    }

    /** 2 to the power of {@code y}, for {@code y} from -1000 to 1000. */
    static double exp2(double y) {
        long whole = (long) (y + 1024.5) - 1024;
        return exp2OfFraction(y - whole) * Double.longBitsToDouble(whole + 1023 << 52);
    }
}
