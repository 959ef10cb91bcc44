package apodex.effect;

/**
 * A running part of an effect, for one walk. Its life:
 *
 * <ol>
 *   <li>made fresh: as if silence had gone in for ever;
 *   <li>fed stretch after stretch, without gaps, in ascending frames; results do not depend on how a walk is cut into
 *       stretches;
 *   <li>{@link #settle} whenever the signal's own time reaches a multiple of {@link #SETTLE_FRAMES}, whatever the
 *       stretches, so that state too small to be heard becomes exactly zero and filters never run on denormals;
 *   <li>while its input is silent and {@link #isAtRest} says yes it need not be fed: silence would come out and
 *       nothing would change.
 * </ol>
 *
 * Not thread-safe. Nothing is allocated after it is made.
 */
public abstract sealed class Unit permits LinearUnit, GainUnit, ShaperUnit {
    /** Grid on which state is settled; a power of two. */
    public static final int SETTLE_FRAMES = 512;
    /** State below this is settled to zero: 400 dB under full scale. */
    static final double NOTHING = 1e-20;

    /** Frames by which its output is later than its input. */
    public int latencyFrames() {
        return 0;
    }

    /** Sets state that is as good as gone to zero. */
    public void settle() {}

    /** True when silence in would give silence out and change nothing. */
    public boolean isAtRest() {
        return true;
    }
}
