package apodex.signal;

import apodex.effect.Unit;

/**
 * The grid on which units are settled and silence is looked for: multiples of {@link Unit#SETTLE_FRAMES} of the stream's
 * own time, wherever blocks begin, so that results do not depend on blocks.
 */
final class Cells {
    private Cells() {}

    /** Index at which the cell that holds index {@code from} ends. @param first frame of index 0 */
    static int end(long first, int from, int frames) {
        long into = first + from & Unit.SETTLE_FRAMES - 1;
        return (int) Math.min(frames, from + Unit.SETTLE_FRAMES - into);
    }

    /** Settles the unit when a cell ends before {@code frame}. */
    static void settle(Unit unit, long frame) {
        if ((frame & Unit.SETTLE_FRAMES - 1) == 0) {
            unit.settle();
        }
    }

    static boolean isSilent(double[][] block, int channels, int from, int to) {
        for (int c = 0; c < channels; c++) {
            double[] channel = block[c];
            for (int i = from; i < to; i++) {
                if (channel[i] != 0) {
                    return false;
                }
            }
        }
        return true;
    }
}
