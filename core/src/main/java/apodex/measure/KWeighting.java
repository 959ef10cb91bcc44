package apodex.measure;

import apodex.time.SampleRate;

/**
 * The weighting of ITU-R BS.1770-4, annex 1: a shelf for the head and a low cut. The standard gives coefficients for
 * 48 kHz alone; these are bilinear transforms of the analogue filters behind them, which give the same at 48 kHz.
 */
final class KWeighting {
    private static final double SHELF_HERTZ = 1681.974450955533;
    private static final double SHELF_DB = 3.999843853973347;
    private static final double SHELF_Q = 0.7071752369554196;
    private static final double CUT_HERTZ = 38.13547087602444;
    private static final double CUT_Q = 0.5003270373238773;

    /** b0, b1, b2, a1, a2 of both sections. */
    final double[] shelf;

    final double[] cut;
    private final double[] state = new double[4];

    KWeighting(SampleRate rate) {
        double k = Math.tan(Math.PI * SHELF_HERTZ / rate.hertz());
        double vh = Math.pow(10, SHELF_DB / 20);
        double vb = Math.pow(vh, 0.4996667741545416);
        double a0 = 1 + k / SHELF_Q + k * k;
        shelf = new double[] {
            (vh + vb * k / SHELF_Q + k * k) / a0,
            2 * (k * k - vh) / a0,
            (vh - vb * k / SHELF_Q + k * k) / a0,
            2 * (k * k - 1) / a0,
            (1 - k / SHELF_Q + k * k) / a0
        };
        double c = Math.tan(Math.PI * CUT_HERTZ / rate.hertz());
        double d0 = 1 + c / CUT_Q + c * c;
        cut = new double[] {1, -2, 1, 2 * (c * c - 1) / d0, (1 - c / CUT_Q + c * c) / d0};
    }

    /** Sum of squares of the weighted samples of a stretch. */
    double energy(double[] samples, int from, int to) {
        double z1 = state[0];
        double z2 = state[1];
        double w1 = state[2];
        double w2 = state[3];
        double sum = 0;
        for (int i = from; i < to; i++) {
            double x = samples[i];
            double y = shelf[0] * x + z1;
            z1 = shelf[1] * x - shelf[3] * y + z2;
            z2 = shelf[2] * x - shelf[4] * y;
            double v = cut[0] * y + w1;
            w1 = cut[1] * y - cut[3] * v + w2;
            w2 = cut[2] * y - cut[4] * v;
            sum += v * v;
        }
        state[0] = settled(z1);
        state[1] = settled(z2);
        state[2] = settled(w1);
        state[3] = settled(w2);
        return sum;
    }

    private static double settled(double value) {
        return Math.abs(value) < 1e-20 ? 0 : value;
    }
}
