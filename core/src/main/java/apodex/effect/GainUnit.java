package apodex.effect;

/** A unit that turns all channels up and down together, following the sound it hears. */
public abstract non-sealed class GainUnit extends Unit {
    /**
     * Computes the factors for a stretch. They belong to the output: a unit with latency gives the factor for the
     * input of that many frames ago.
     *
     * @param key   channels x frames; what it listens to
     * @param gains filled from {@code from} to {@code to}
     */
    public abstract void gains(double[][] key, double[] gains, int from, int to);
}
