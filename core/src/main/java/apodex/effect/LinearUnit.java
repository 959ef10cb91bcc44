package apodex.effect;

/** A unit whose effect on a sum is the sum of its effects on the parts; it may change with time, but not with sound. */
public abstract non-sealed class LinearUnit extends Unit {
    /**
     * Processes a stretch in place.
     *
     * @param block channels x frames; has as many channels as come out, of which those that come in are filled
     * @param frame frame of the session that index {@code from} stands for
     */
    public abstract void process(double[][] block, int from, int to, long frame);
}
