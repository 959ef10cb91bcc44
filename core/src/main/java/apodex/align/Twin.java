package apodex.align;

import java.io.IOException;

/**
 * How one sound stands to another that begins with it, frame for frame.
 *
 * @param gainDb   how much louder the other is
 * @param inverted whether it is turned over
 * @param likeness 0 to 1: 1 when a gain is all that sets them apart
 */
public record Twin(double gainDb, boolean inverted, double likeness) {
    private static final int FRAMES = 1 << 14;
    private static final int STRETCHES = 24;
    private static final double SAME = 0.999_999;

    /** Whether a gain, and a turn of polarity, are all that sets them apart. */
    public boolean isSame() {
        return likeness > SAME;
    }

    /** Compares stretches from all over both. They have one rate and one length. */
    public static Twin of(MonoSound one, MonoSound other) throws IOException {
        double[] a = new double[FRAMES];
        double[] b = new double[FRAMES];
        double product = 0;
        double energy = 0;
        double otherEnergy = 0;
        long step = Math.max(FRAMES, one.frames() / STRETCHES);
        for (long first = 0; first < one.frames(); first += step) {
            one.read(first, FRAMES, a);
            other.read(first, FRAMES, b);
            for (int i = 0; i < FRAMES; i++) {
                product += a[i] * b[i];
                energy += a[i] * a[i];
                otherEnergy += b[i] * b[i];
            }
        }
        return energy == 0 || otherEnergy == 0
                ? new Twin(0, false, 0)
                : new Twin(
                        20 * Math.log10(Math.abs(product) / energy),
                        product < 0,
                        Math.abs(product) / Math.sqrt(energy * otherEnergy));
    }
}
