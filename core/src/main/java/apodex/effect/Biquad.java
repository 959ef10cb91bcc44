package apodex.effect;

/**
 * Coefficients of a second-order filter section, normalised to a0 = 1:
 * {@code y = b0 x + b1 x1 + b2 x2 - a1 y1 - a2 y2}. The shapes are bilinear transforms of the usual analogue prototypes
 * with the frequency warped to fit (Audio EQ Cookbook, W3C Working Group Note, 2021).
 */
record Biquad(double b0, double b1, double b2, double a1, double a2) {
    /** Second-order low cut (high pass) of quality {@code q}. */
    static Biquad lowCut(double hertz, double q, int rate) {
        double w = angle(hertz, rate);
        double cos = StrictMath.cos(w);
        double alpha = StrictMath.sin(w) / (2 * q);
        return of((1 + cos) / 2, -(1 + cos), (1 + cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
    }

    /** Second-order high cut (low pass) of quality {@code q}. */
    static Biquad highCut(double hertz, double q, int rate) {
        double w = angle(hertz, rate);
        double cos = StrictMath.cos(w);
        double alpha = StrictMath.sin(w) / (2 * q);
        return of((1 - cos) / 2, 1 - cos, (1 - cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
    }

    static Biquad bell(double hertz, double gainDb, double q, int rate) {
        double w = angle(hertz, rate);
        double cos = StrictMath.cos(w);
        double a = StrictMath.pow(10, gainDb / 40);
        double alpha = StrictMath.sin(w) / (2 * q);
        return of(1 + alpha * a, -2 * cos, 1 - alpha * a, 1 + alpha / a, -2 * cos, 1 - alpha / a);
    }

    /** Shelf below {@code hertz}, with the steepest slope that stays monotonic. */
    static Biquad lowShelf(double hertz, double gainDb, int rate) {
        return shelf(hertz, gainDb, rate, 1);
    }

    /** Shelf above {@code hertz}, with the steepest slope that stays monotonic. */
    static Biquad highShelf(double hertz, double gainDb, int rate) {
        return shelf(hertz, gainDb, rate, -1);
    }

    private static Biquad shelf(double hertz, double gainDb, int rate, int side) {
        double w = angle(hertz, rate);
        double cos = side * StrictMath.cos(w);
        double a = StrictMath.pow(10, gainDb / 40);
        double slope = StrictMath.sin(w) * Math.sqrt(2) * Math.sqrt(a); // 2 sqrt(A) alpha with slope 1
        return of(
                a * (a + 1 - (a - 1) * cos + slope),
                side * 2 * a * (a - 1 - (a + 1) * cos),
                a * (a + 1 - (a - 1) * cos - slope),
                a + 1 + (a - 1) * cos + slope,
                side * -2 * (a - 1 + (a + 1) * cos),
                a + 1 + (a - 1) * cos - slope);
    }

    private static double angle(double hertz, int rate) {
        return 2 * Math.PI * Math.min(hertz, 0.49 * rate) / rate;
    }

    private static Biquad of(double b0, double b1, double b2, double a0, double a1, double a2) {
        return new Biquad(b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0);
    }

    /** Frames until its ringing has fallen by 90 dB, from the radius of its poles. */
    static long ringFrames(Biquad... sections) {
        double slowest = 0;
        for (Biquad section : sections) {
            double root = section.a1 * section.a1 - 4 * section.a2;
            double radius = root < 0 ? Math.sqrt(section.a2) : (Math.abs(section.a1) + Math.sqrt(root)) / 2;
            slowest = Math.max(slowest, radius);
        }
        return slowest <= 0 ? 0 : (long) Math.ceil(-90 / 20.0 * Math.log(10) / Math.log(Math.min(slowest, 1 - 1e-9)));
    }
}
