package apodex.audio;

import java.io.IOException;
import java.util.Arrays;

/** Reads a recording as if it had another rate. Keeps nothing between calls, so any stretch can be asked for. */
public final class ResampledReader {
    private final ResampleKernel kernel;
    private double[][] in = new double[0][];

    public ResampledReader(ResampleKernel kernel) {
        this.kernel = kernel;
    }

    /**
     * Renders frames {@code [first, first + frames)} of the resampled recording.
     *
     * @param into channels x frames; filled from 0 on
     */
    public void read(PcmReader reader, long first, int frames, int firstChannel, double[][] into) throws IOException {
        long from = kernel.inputOf(first) - kernel.half() + 1;
        long to = kernel.inputOf(first + frames - 1) + kernel.half() + 1;
        int length = Math.toIntExact(to - from);
        if (in.length != into.length || in[0].length < length) {
            in = new double[into.length][length];
        }
        long readFrom = Math.max(0, from);
        long readTo = Math.min(reader.frames(), to);
        for (double[] channel : in) {
            Arrays.fill(channel, 0, length, 0);
        }
        if (readFrom < readTo) {
            reader.read(readFrom, (int) (readTo - readFrom), firstChannel, in, (int) (readFrom - from));
        }
        for (int c = 0; c < into.length; c++) {
            for (int i = 0; i < frames; i++) {
                long output = first + i;
                into[c][i] = kernel.at(output, in[c], (int) (kernel.inputOf(output) - kernel.half() + 1 - from));
            }
        }
    }
}
