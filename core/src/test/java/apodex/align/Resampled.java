package apodex.align;

/** Another number of samples for the same sound, by the sampling theorem's own sum, cut off where it hardly counts. */
final class Resampled {
    private static final int LOBES = 16;

    private Resampled() {}

    static double[] by(double[] in, double ratio) {
        double[] out = new double[(int) (in.length * ratio)];
        double narrow = Math.min(1, ratio);
        int half = (int) Math.ceil(LOBES / narrow);
        for (int i = 0; i < out.length; i++) {
            double centre = i / ratio;
            int from = Math.max(0, (int) centre - half);
            double angle = Math.PI * (from - centre) * narrow;
            double sin = Math.sin(angle);
            double cos = Math.cos(angle);
            double turnedSin = Math.sin(Math.PI * narrow);
            double turnedCos = Math.cos(Math.PI * narrow);
            double sum = 0;
            for (int k = from; k <= Math.min(in.length - 1, (int) centre + half); k++) {
                double x = Math.PI * (k - centre) * narrow;
                double away = (k - centre) / (half + 1);
                double window = (1 - away * away) * (1 - away * away);
                sum += in[k] * narrow * window * (Math.abs(x) < 1e-9 ? 1 : sin / x);
                double next = sin * turnedCos + cos * turnedSin;
                cos = cos * turnedCos - sin * turnedSin;
                sin = next;
            }
            out[i] = sum;
        }
        return out;
    }
}
