package apodex.instrument;

/** A sine read from a table of 4096 steps with straight lines between them: wrong by less than -125 dB. */
final class Sine {
    private static final int STEPS = 4096;
    private static final double[] TABLE = new double[STEPS + 1];

    static {
        for (int i = 0; i <= STEPS; i++) {
            TABLE[i] = StrictMath.sin(2 * Math.PI * i / STEPS);
        }
    }

    private Sine() {}

    /** @param cycles phase in whole turns, 0 or more */
    static double at(double cycles) {
        double x = (cycles - (long) cycles) * STEPS;
        int i = (int) x;
        return TABLE[i] + (x - i) * (TABLE[i + 1] - TABLE[i]);
    }
}
