package apodex.signal;

import apodex.measure.StereoImage;

/** The loudest of both sides and of what sets them apart, over a whole file. */
final class SidePeaks {
    private double left;
    private double right;
    private double difference;

    void add(double[] leftSide, double[] rightSide, int frames) {
        double l = left;
        double r = right;
        double d = difference;
        for (int i = 0; i < frames; i++) {
            double a = leftSide[i];
            double b = rightSide[i];
            l = Math.max(l, Math.abs(a));
            r = Math.max(r, Math.abs(b));
            d = Math.max(d, Math.abs(a - b));
        }
        left = l;
        right = r;
        difference = d;
    }

    StereoImage image() {
        return new StereoImage(left, right, difference, false);
    }
}
