package apodex.instrument;

/** One sounding note. Made for the note, then asked for its samples in order until it is over. */
public abstract class Voice {
    /**
     * Adds its next samples.
     *
     * @param block channels x frames; as many channels as its part has
     */
    public abstract void add(double[][] block, int from, int to);

    /** True when it will add nothing more. */
    public abstract boolean isOver();
}
