package apodex.audio;

import java.util.Arrays;

/**
 * Resamples one channel that arrives in stretches. Input frames before {@code anchor} are the history of the first output
 * frame, which stands exactly at the anchor.
 */
public final class StreamResampler {
    private final ResampleKernel kernel;
    private double[] kept;
    /** Input frame, counted from the anchor, that index 0 of {@link #kept} holds. */
    private long keptFrom;

    private int keptFrames;
    private long nextOutput;

    public StreamResampler(ResampleKernel kernel) {
        this.kernel = kernel;
        this.kept = new double[4 * kernel.half()];
        this.keptFrom = 1L - kernel.half();
        this.keptFrames = kernel.half() - 1; // silence, until real history comes
    }

    /**
     * Takes the next input and gives what output it allows.
     *
     * @param first input frame, counted from the anchor, of {@code in[from]}; history may start anywhere before
     * @param out   filled from 0 on; long enough for {@code framesOut(to - from) + 1}
     * @return number of output frames
     */
    public int process(double[] in, int from, int to, long first, double[] out) {
        long skip = Math.max(0, keptFrom - first);
        if (skip < to - from) {
            append(in, from + (int) skip, to, first + skip);
        }
        int count = 0;
        while (kernel.inputOf(nextOutput) + kernel.half() < keptFrom + keptFrames) {
            out[count++] =
                    kernel.at(nextOutput, kept, (int) (kernel.inputOf(nextOutput) - kernel.half() + 1 - keptFrom));
            nextOutput++;
        }
        drop();
        return count;
    }

    private void append(double[] in, int from, int to, long first) {
        int at = (int) (first - keptFrom);
        int end = at + to - from;
        if (kept.length < end) {
            kept = Arrays.copyOf(kept, Math.max(end, 2 * kept.length));
        }
        System.arraycopy(in, from, kept, at, to - from);
        keptFrames = Math.max(keptFrames, end);
    }

    private void drop() {
        int unneeded = (int) (kernel.inputOf(nextOutput) - kernel.half() + 1 - keptFrom);
        if (unneeded > 0) {
            System.arraycopy(kept, unneeded, kept, 0, keptFrames - unneeded);
            keptFrames -= unneeded;
            keptFrom += unneeded;
        }
    }
}
