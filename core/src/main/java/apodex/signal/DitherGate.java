package apodex.signal;

import apodex.audio.Dither;
import jakarta.annotation.Nullable;

/**
 * Where dither goes: at Raw, where a clip lies; elsewhere, while something sounds and a little longer. Where it does not,
 * silence stays digital silence. What is decided depends on frames alone, not on blocks.
 */
final class DitherGate {
    /** A tenth of a second at 48 kHz: gaps shorter than this between two sounds are dithered through. */
    private static final long HOLD_FRAMES = 4_800;

    private final Coverage coverage;
    private long lastSound = Long.MIN_VALUE / 2;
    private boolean open;

    DitherGate(@Nullable Coverage coverage) {
        this.coverage = coverage;
    }

    boolean isOpen() {
        return open;
    }

    /** Whether a block in which nothing sounds may have to be dithered. */
    boolean mayStayOpen(Dither dither) {
        return dither != Dither.NONE && coverage == null;
    }

    /** Sets the gate for index {@code from} and says up to which index it stays so. @param first frame of index 0 */
    int end(double[][] samples, int from, int length, long first) {
        if (coverage != null) {
            open = coverage.covers(first + from);
            long edge = coverage.nextEdge(first + from);
            return (int) Math.min(length, edge == Long.MAX_VALUE ? length : edge - first);
        }
        open = isOpenAt(samples, from, first);
        int to = from + 1;
        while (to < length && isOpenAt(samples, to, first) == open) {
            to++;
        }
        return to;
    }

    private boolean isOpenAt(double[][] samples, int index, long first) {
        for (double[] channel : samples) {
            if (channel[index] != 0) {
                lastSound = Math.max(lastSound, first + index);
                return true;
            }
        }
        return first + index - lastSound <= HOLD_FRAMES;
    }
}
