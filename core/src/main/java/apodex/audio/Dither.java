package apodex.audio;

/**
 * When a print is dithered, and the noise itself.
 *
 * <pre>
 * what is printed \ to   16-bit      24-bit   32-bit   32-bit float
 * exact in the target    none        none     none     none
 * finer than the target  triangular  none     none     none
 * </pre>
 *
 * <p>At 24 bits rounding noise lies at -149 dBFS RMS, below any converter's own, so nothing is added there.
 * Stretches without a clip stay digital silence.
 *
 * <p>The noise has a triangular density two steps wide, which makes mean and variance of the error independent of
 * the signal (Lipshitz, Wannamaker, Vanderkooy, JAES 40/5, 1992). It depends only on seed, frame and channel, so
 * the same print gives the same bytes whatever the block size or the number of threads.
 */
public enum Dither {
    NONE,
    TRIANGULAR;

    /** The policy of the table above. */
    public static Dither policy(boolean exact, SampleFormat target) {
        return !exact && target == SampleFormat.INT16 ? TRIANGULAR : NONE;
    }

    /** The noise of one sample in steps of the target format, strictly between -1 and 1. */
    static double triangular(long seed, long frame, int channel) {
        long bits = scramble(seed + (frame * 2 + channel + 1) * 0x9E3779B97F4A7C15L);
        return ((bits >>> 32) - (bits & 0xFFFFFFFFL)) * 0x1p-32;
    }

    /** The output function of SplitMix64 (Steele, Lea, Flood, OOPSLA 2014). */
    private static long scramble(long z) {
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return z ^ z >>> 31;
    }
}
