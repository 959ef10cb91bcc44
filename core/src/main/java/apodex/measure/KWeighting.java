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

    /** Whether of silence nothing but silence would come out. */
    boolean isSettled() {
        return state[0] == 0 && state[1] == 0 && state[2] == 0 && state[3] == 0;
    }

    /** Sum of squares of the weighted samples of a stretch. */
    double energy(double[] samples, int from, int to) {
        double b0 = shelf[0];
        double b1 = shelf[1];
        double b2 = shelf[2];
        double a1 = shelf[3];
        double a2 = shelf[4];
        double c1 = cut[3];
        double c2 = cut[4];
        double z1 = state[0];
        double z2 = state[1];
        double w1 = state[2];
        double w2 = state[3];
        double sum = 0;
        for (int i = from; i < to; i++) {
            double x = samples[i];
            double y = b0 * x + z1;
            z1 = b1 * x + z2 - a1 * y; // in this order the next sample waits for one product and two sums alone
            z2 = b2 * x - a2 * y;
            double v = y + w1;
            w1 = w2 - 2 * y - c1 * v;
            w2 = y - c2 * v;
            sum += v * v;
        }
        keep(z1, z2, w1, w2);
        return sum;
    }

    /** The same of two channels of one rate, sample by sample, since one alone leaves the processor waiting. */
    static double energy(KWeighting left, KWeighting right, double[] one, double[] other, int from, int to) {
        double b0 = left.shelf[0];
        double b1 = left.shelf[1];
        double b2 = left.shelf[2];
        double a1 = left.shelf[3];
        double a2 = left.shelf[4];
        double c1 = left.cut[3];
        double c2 = left.cut[4];
        double lz1 = left.state[0];
        double lz2 = left.state[1];
        double lw1 = left.state[2];
        double lw2 = left.state[3];
        double rz1 = right.state[0];
        double rz2 = right.state[1];
        double rw1 = right.state[2];
        double rw2 = right.state[3];
        double leftSum = 0;
        double rightSum = 0;
        for (int i = from; i < to; i++) {
            double lx = one[i];
            double rx = other[i];
            double ly = b0 * lx + lz1;
            double ry = b0 * rx + rz1;
            lz1 = b1 * lx + lz2 - a1 * ly;
            rz1 = b1 * rx + rz2 - a1 * ry;
            lz2 = b2 * lx - a2 * ly;
            rz2 = b2 * rx - a2 * ry;
            double lv = ly + lw1;
            double rv = ry + rw1;
            lw1 = lw2 - 2 * ly - c1 * lv;
            rw1 = rw2 - 2 * ry - c1 * rv;
            lw2 = ly - c2 * lv;
            rw2 = ry - c2 * rv;
            leftSum += lv * lv;
            rightSum += rv * rv;
        }
        left.keep(lz1, lz2, lw1, lw2);
        right.keep(rz1, rz2, rw1, rw2);
        return leftSum + rightSum;
    }

    private void keep(double z1, double z2, double w1, double w2) {
        state[0] = settled(z1);
        state[1] = settled(z2);
        state[2] = settled(w1);
        state[3] = settled(w2);
    }

    private static double settled(double value) {
        return Math.abs(value) < 1e-20 ? 0 : value;
    }
}
