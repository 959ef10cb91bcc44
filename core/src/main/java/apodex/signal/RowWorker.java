package apodex.signal;

import java.io.IOException;
import java.util.List;

/**
 * One audio row during the walk: renders a block once if anything needs it as numbers, and feeds every file taken
 * from the row.
 */
final class RowWorker implements AutoCloseable {
    private final RawRow raw;
    private final List<RowTap> copies;
    private final List<TapFile> files;
    private final boolean rendered;
    private final double[][] block;
    private boolean sounds;

    /**
     * @param rendered whether the mix or a file needs the row as numbers
     */
    RowWorker(RawRow raw, List<RowTap> copies, List<TapFile> files, boolean rendered, int blockFrames) {
        this.raw = raw;
        this.copies = copies;
        this.files = files;
        this.rendered = rendered;
        this.block = rendered ? new double[raw.width()][blockFrames] : new double[0][];
    }

    void step(long first, int frames) throws IOException {
        for (RowTap copy : copies) {
            copy.write(first, frames);
        }
        if (!rendered) {
            return;
        }
        sounds = raw.render(first, frames, block);
        for (TapFile file : files) {
            if (sounds) {
                file.write(block, first, frames);
            } else {
                file.silence(frames);
            }
        }
    }

    /** Adds the block of the last step to a stereo sum, at unity, centred. */
    void addTo(double[][] sum, int frames) {
        if (!sounds) {
            return;
        }
        for (int c = 0; c < sum.length; c++) {
            double[] in = block[Math.min(c, block.length - 1)];
            double[] out = sum[c];
            for (int i = 0; i < frames; i++) {
                out[i] += in[i];
            }
        }
    }

    @Override
    public void close() throws IOException {
        raw.close();
        for (RowTap copy : copies) {
            copy.close();
        }
    }
}
