package apodex.measure;

/** The loudest of many samples, 0 at the least; four at once, so that none waits for the one before it. */
final class Extremes {
    private Extremes() {}

    static double loudest(double[] samples, int from, int count) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int end = from + count;
        int i = from;
        for (; i + 4 <= end; i += 4) {
            a = louder(a, samples[i]);
            b = louder(b, samples[i + 1]);
            c = louder(c, samples[i + 2]);
            d = louder(d, samples[i + 3]);
        }
        for (; i < end; i++) {
            a = louder(a, samples[i]);
        }
        return Math.max(Math.max(a, b), Math.max(c, d));
    }

    static double highest(double[] samples, int from, int to) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int i = from;
        for (; i + 4 <= to; i += 4) {
            a = samples[i] > a ? samples[i] : a;
            b = samples[i + 1] > b ? samples[i + 1] : b;
            c = samples[i + 2] > c ? samples[i + 2] : c;
            d = samples[i + 3] > d ? samples[i + 3] : d;
        }
        for (; i < to; i++) {
            a = samples[i] > a ? samples[i] : a;
        }
        return Math.max(Math.max(a, b), Math.max(c, d));
    }

    static double lowest(double[] samples, int from, int to) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int i = from;
        for (; i + 4 <= to; i += 4) {
            a = samples[i] < a ? samples[i] : a;
            b = samples[i + 1] < b ? samples[i + 1] : b;
            c = samples[i + 2] < c ? samples[i + 2] : c;
            d = samples[i + 3] < d ? samples[i + 3] : d;
        }
        for (; i < to; i++) {
            a = samples[i] < a ? samples[i] : a;
        }
        return Math.min(Math.min(a, b), Math.min(c, d));
    }

    private static double louder(double so, double sample) {
        double size = Math.abs(sample);
        return size > so ? size : so;
    }
}
