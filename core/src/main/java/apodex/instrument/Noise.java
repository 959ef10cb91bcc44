package apodex.instrument;

/** White noise from a seed: SplitMix64 (Steele, Lea, Flood, OOPSLA 2014). */
final class Noise {
    private long state;

    Noise(long seed) {
        state = seed * 0x9E3779B97F4A7C15L + 0x632BE59BD9B4E019L;
    }

    /** The next value, from -1 to 1. */
    double next() {
        state += 0x9E3779B97F4A7C15L;
        long z = (state ^ state >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return ((z ^ z >>> 31) >> 11) * 0x1p-52;
    }
}
