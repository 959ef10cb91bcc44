package apodex.align;

import java.util.Arrays;

/**
 * What is kept of an outline where whole songs are held against each other: one block in so many, on a grid that all share, each an eighth
 * of a second. Blocks are spread evenly, and say the same as all would.
 *
 * @param first  place of the first block on the grid
 * @param blocks from there on; silence beyond the sound's ends
 */
record Sampled(int first, float[][] blocks) {
    static final int BLOCK = Outline.HERTZ / 8;

    /**
     * Takes blocks of an outline. Sounds lie between outline samples; a straight line between two is near enough for what is asked.
     *
     * @param start on the grid's clock, in outline samples
     * @param every one block in so many
     */
    static Sampled of(Outline outline, double start, int every) {
        double[] samples = outline.samples();
        double grid = (double) BLOCK * every;
        int first = (int) Math.floor(start / grid);
        int count = Math.max(0, (int) Math.ceil((start + samples.length) / grid) - first);
        float[][] blocks = new float[count][BLOCK];
        for (int b = 0; b < count; b++) {
            double from = (first + b) * grid - start;
            int whole = (int) Math.floor(from);
            double rest = from - whole;
            for (int i = 0; i < BLOCK; i++) {
                double here = at(samples, whole + i);
                blocks[b][i] = (float) (here + rest * (at(samples, whole + i + 1) - here));
            }
        }
        return new Sampled(first, blocks);
    }

    private static double at(double[] samples, int place) {
        return place >= 0 && place < samples.length ? samples[place] : 0;
    }

    /** Place on the grid after its last block. */
    int end() {
        return first + blocks.length;
    }

    /** The block at a place of the grid, where it has one. */
    float[] block(int place) {
        return blocks[place - first];
    }

    boolean has(int place) {
        return place >= first && place < end();
    }

    /** Without what lies outside another: there it says nothing of it. */
    Sampled within(Sampled other) {
        int from = Math.max(first, other.first);
        int to = Math.max(from, Math.min(end(), other.end()));
        return from >= end()
                ? new Sampled(from, new float[0][])
                : new Sampled(from, Arrays.copyOfRange(blocks, from - first, to - first));
    }

    /** What two have in common: the sum of their products. */
    double dot(Sampled other) {
        double sum = 0;
        for (int b = Math.max(first, other.first); b < Math.min(end(), other.end()); b++) {
            float[] one = block(b);
            float[] two = other.block(b);
            for (int i = 0; i < BLOCK; i++) {
                sum += (double) one[i] * two[i];
            }
        }
        return sum;
    }
}
