package apodex.demo;

/** White noise between -1 and 1 that is the same every time: a xorshift generator (Marsaglia 2003). */
final class Noise {
    private long state;

    Noise(long seed) {
        state = seed * 0x9E3779B97F4A7C15L + 1;
    }

    double next() {
        state ^= state << 13;
        state ^= state >>> 7;
        state ^= state << 17;
        return (state >> 11) * 0x1p-52;
    }
}
