package apodex.effect;

/** The simplest low pass, {@code y += a (x - y)}, which reverbs and delays darken with. Its gain at 0 Hz is 1. */
final class OnePole {
    private OnePole() {}

    /** The share {@code a} of the difference it takes over each frame. */
    static double share(double hertz, Conditions place) {
        return 1 - StrictMath.exp(-2 * Math.PI * hertz / place.rate().hertz());
    }

    static void settle(double[] state) {
        for (int i = 0; i < state.length; i++) {
            if (Math.abs(state[i]) < Unit.NOTHING) {
                state[i] = 0;
            }
        }
    }
}
