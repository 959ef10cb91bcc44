package apodex.signal;

import java.util.Arrays;

/** A delay by whole frames that brings paths of different latency together. */
final class Alignment {
    private final int frames;
    private final double[][] kept;
    private final double[][] out;
    private int at;
    private long soundLeft;

    /**
     * @param frames      the delay, 1 or more
     * @param blockFrames the longest block
     */
    Alignment(int width, long frames, int blockFrames) {
        this.frames = Math.toIntExact(frames);
        this.kept = new double[width][this.frames];
        this.out = new double[width][blockFrames];
    }

    /** True when nothing is left inside. */
    boolean isEmpty() {
        return soundLeft <= 0;
    }

    /** The delayed block, or null when it holds nothing. Good until the next call. */
    double[][] delay(double[][] in, int length, boolean sounds) {
        if (sounds) {
            soundLeft = (long) frames + length;
        } else if (soundLeft <= 0) {
            return null;
        }
        int end = at;
        for (int c = 0; c < kept.length; c++) {
            double[] ring = kept[c];
            double[] from = in[Math.min(c, in.length - 1)];
            double[] to = out[c];
            int index = at;
            for (int done = 0; done < length; ) {
                int piece = Math.min(length - done, frames - index);
                System.arraycopy(ring, index, to, done, piece);
                if (sounds) {
                    System.arraycopy(from, done, ring, index, piece);
                } else {
                    Arrays.fill(ring, index, index + piece, 0);
                }
                done += piece;
                index = index + piece == frames ? 0 : index + piece;
            }
            end = index;
        }
        at = end;
        soundLeft -= sounds ? 0 : length;
        return out;
    }
}
