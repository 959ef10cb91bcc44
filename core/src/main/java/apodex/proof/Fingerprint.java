package apodex.proof;

/**
 * Tells files apart by a few sums of their samples with signs that look like chance. The sums follow every gain and turn of
 * polarity exactly, so files that differ in nothing else have fingerprints that point the same way, or the opposite.
 */
final class Fingerprint {
    private static final int STRETCHES = 48;
    /** How near to one direction two fingerprints must be to be worth a look at all their samples. */
    private static final double ALIKE = 1 - 1e-5;

    private final long frames;
    private final double[][] sums;

    Fingerprint(long frames, int channels) {
        this.frames = Math.max(1, frames);
        this.sums = new double[channels][STRETCHES];
    }

    /** @param block channels x frames */
    void add(double[][] block, long first, int count) {
        for (int from = 0; from < count; ) {
            int stretch = (int) ((first + from) * STRETCHES / frames);
            long stretchEnd = ((stretch + 1L) * frames + STRETCHES - 1) / STRETCHES;
            int to = (int) Math.min(count, Math.max(from + 1, stretchEnd - first));
            for (int c = 0; c < sums.length; c++) {
                double sum = 0;
                for (int i = from; i < to; i++) {
                    long mixed =
                            (first + i) * 0x9E3779B97F4A7C15L; // the golden ratio's bits: neighbours get unlike signs
                    sum += (mixed ^ mixed >>> 31) << 63 < 0 ? -block[c][i] : block[c][i];
                }
                sums[c][Math.min(stretch, STRETCHES - 1)] += sum;
            }
            from = to;
        }
    }

    /** The factor that makes the other out of this, if that is all they differ in; 0 when they are not alike. */
    double factorTo(Fingerprint other) {
        if (sums.length != other.sums.length || frames != other.frames) {
            return 0;
        }
        double mine = dot(this);
        double theirs = other.dot(other);
        double both = dot(other);
        if (mine == 0 || theirs == 0 || Math.abs(both) < ALIKE * Math.sqrt(mine * theirs)) {
            return 0;
        }
        return both / mine;
    }

    private double dot(Fingerprint other) {
        double sum = 0;
        for (int c = 0; c < sums.length; c++) {
            for (int s = 0; s < STRETCHES; s++) {
                sum += sums[c][s] * other.sums[c][s];
            }
        }
        return sum;
    }
}
