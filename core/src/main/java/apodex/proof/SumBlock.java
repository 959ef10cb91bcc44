package apodex.proof;

import java.util.Arrays;

/** A short stretch of what files make together: short enough to stay in the processor's nearest cache while one after the other is added. */
final class SumBlock {
    static final int FRAMES = 1_024;

    /** What is added up, two sides. */
    final double[][] sum = new double[2][FRAMES];
    /** What is left of what that is held against; where any file is cut off at full scale, nothing. */
    final double[][] left = new double[2][FRAMES];
    /** Where a sample stands at the end of an integer format's scale: there it may have been cut off. */
    final boolean[] cut = new boolean[FRAMES];
    /** Room to decode one channel into, or two. */
    final double[][] two = new double[2][FRAMES];

    final double[][] one = {two[0]};

    void clear() {
        for (int side = 0; side < 2; side++) {
            Arrays.fill(sum[side], 0);
            Arrays.fill(left[side], 0);
        }
        Arrays.fill(cut, false);
    }

    /** All files are there: takes the sum from what it is to be. @param mono whether both are folded to mono before */
    void compare(int count, boolean mono) {
        if (mono) {
            fold(sum, count);
            fold(left, count);
        }
        for (int side = 0; side < 2; side++) {
            for (int i = 0; i < count; i++) {
                left[side][i] -= sum[side][i];
            }
        }
        for (int i = 0; i < count; i++) {
            if (cut[i]) { // what was cut off there nobody can miss
                left[0][i] = 0;
                left[1][i] = 0;
            }
        }
    }

    private static void fold(double[][] sides, int count) {
        for (int i = 0; i < count; i++) {
            double middle = 0.5 * (sides[0][i] + sides[1][i]);
            sides[0][i] = middle;
            sides[1][i] = middle;
        }
    }
}
