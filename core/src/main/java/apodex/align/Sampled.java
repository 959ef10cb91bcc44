package apodex.align;

import java.io.IOException;
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
     * Takes blocks of a sound's outline, reading no more of it than they need. Sounds lie between outline samples; a straight line between
     * two is near enough for what is asked.
     *
     * @param ratio of the grid's samples to those of the sound's own outline
     * @param start on the grid's clock, in its samples
     * @param every one block in so many
     */
    static Sampled of(MonoSound sound, double ratio, double start, int every) throws IOException {
        int length = ratio == 1 ? Outline.count(sound) : (int) Math.floor(Outline.count(sound) * ratio);
        double grid = (double) BLOCK * every;
        int first = (int) Math.floor(start / grid);
        int count = Math.max(0, (int) Math.ceil((start + length) / grid) - first);
        float[][] blocks = new float[count][BLOCK];
        for (int b = 0; b < count; b++) {
            double from = (first + b) * grid - start;
            int whole = (int) Math.floor(from);
            double rest = from - whole;
            int skipped = Math.max(0, -whole);
            int here = Math.min(BLOCK + 1, length - whole) - skipped;
            if (here > 0) {
                double[] samples = new double[BLOCK + 2];
                System.arraycopy(piece(sound, ratio, whole + skipped, here), 0, samples, skipped, here);
                for (int i = 0; i < BLOCK; i++) {
                    blocks[b][i] = (float) (samples[i] + rest * (samples[i + 1] - samples[i]));
                }
            }
        }
        return new Sampled(first, blocks);
    }

    private static double[] piece(MonoSound sound, double ratio, int start, int count) throws IOException {
        if (ratio == 1) {
            return Outline.piece(sound, start, count).samples();
        }
        int reach = Outline.reach(ratio) + 1;
        int from = Math.max(0, (int) Math.floor(start / ratio) - reach);
        int to = Math.min(Outline.count(sound), (int) Math.ceil((start + count) / ratio) + reach);
        return Outline.piece(sound, from, Math.max(0, to - from))
                .stretched(ratio, start, count)
                .samples();
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
