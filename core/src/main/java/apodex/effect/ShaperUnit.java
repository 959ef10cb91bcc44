package apodex.effect;

/** A unit that sends every sample through one curve, which goes through zero. */
public abstract non-sealed class ShaperUnit extends Unit {
    /** Writes the curve's values for a stretch of {@code in} to {@code out}, which may be the same array. */
    public abstract void shape(double[] in, double[] out, int from, int to);

    /** Slope of the curve at zero: what the ratio of out to in approaches there. */
    public abstract double slopeAtZero();
}
