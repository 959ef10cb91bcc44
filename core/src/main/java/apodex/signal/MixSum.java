package apodex.signal;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;

/** The mix row during the walk: the sum of all rows at unity, always taken in the rows' order. */
final class MixSum {
    private final List<RowWorker> rows;
    private final List<TapFile> files;
    private final double[][] sum;

    MixSum(List<RowWorker> rows, List<TapFile> files, int blockFrames) {
        this.rows = rows;
        this.files = files;
        this.sum = new double[2][files.isEmpty() ? 0 : blockFrames];
    }

    void step(long first, int frames) throws IOException {
        if (files.isEmpty()) {
            return;
        }
        for (double[] channel : sum) {
            Arrays.fill(channel, 0, frames, 0.0);
        }
        for (RowWorker row : rows) {
            row.addTo(sum, frames);
        }
        for (TapFile file : files) {
            file.write(sum, first, frames);
        }
    }
}
