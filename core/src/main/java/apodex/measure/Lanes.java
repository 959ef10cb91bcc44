package apodex.measure;

/** Sums and peaks over a stretch of samples in four lanes: in one, each addition waits for the one before it. */
public final class Lanes {
    private Lanes() {}

    /** Of the samples from one place up to another. */
    public static double sum(double[] samples, int from, int to) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int i = from;
        for (; i + 3 < to; i += 4) {
            a += samples[i];
            b += samples[i + 1];
            c += samples[i + 2];
            d += samples[i + 3];
        }
        for (; i < to; i++) {
            a += samples[i];
        }
        return a + b + (c + d);
    }

    /** Of their squares. */
    public static double squares(double[] samples, int from, int to) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int i = from;
        for (; i + 3 < to; i += 4) {
            a += samples[i] * samples[i];
            b += samples[i + 1] * samples[i + 1];
            c += samples[i + 2] * samples[i + 2];
            d += samples[i + 3] * samples[i + 3];
        }
        for (; i < to; i++) {
            a += samples[i] * samples[i];
        }
        return a + b + (c + d);
    }

    /** The largest of their sizes. */
    public static double peak(double[] samples, int from, int to) {
        double a = 0;
        double b = 0;
        int i = from;
        for (; i + 1 < to; i += 2) {
            double one = Math.abs(samples[i]);
            double two = Math.abs(samples[i + 1]);
            a = one > a ? one : a;
            b = two > b ? two : b;
        }
        if (i < to) {
            a = Math.max(a, Math.abs(samples[i]));
        }
        return Math.max(a, b);
    }
}
