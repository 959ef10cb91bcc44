package apodex.align;

import apodex.audio.PcmReader;
import apodex.audio.ResampleKernel;
import apodex.audio.ResampledReader;
import apodex.time.SampleRate;
import java.io.IOException;
import java.util.Arrays;

/**
 * A recording heard with one ear, at any rate: both sides together, or one side where they would cancel. Silence lies before
 * and after it. One belongs to one thread at a time; whoever opened the reader closes it.
 */
public final class MonoSound {
    private static final int BLOCK_FRAMES = 1 << 15;
    /** Sides that correlate less than this cancel more than they add. */
    private static final double CANCELLING = -0.3;

    private final PcmReader in;
    private final SampleRate rate;
    private final int channels;
    private final boolean oneSide;
    private double[][] block = new double[0][];

    /** @param rate of the recording */
    public MonoSound(PcmReader in, SampleRate rate) throws IOException {
        this.in = in;
        this.rate = rate;
        this.channels = Math.min(2, in.layout().channels());
        this.oneSide = channels == 2 && cancels();
    }

    /** Its own rate. */
    public SampleRate rate() {
        return rate;
    }

    /** Length at its own rate. */
    public long frames() {
        return in.frames();
    }

    private boolean cancels() throws IOException {
        double left = 0;
        double right = 0;
        double product = 0;
        long step = Math.max(BLOCK_FRAMES, in.frames() / 16);
        double[][] some = new double[2][BLOCK_FRAMES];
        for (long first = 0; first < in.frames(); first += step) {
            int frames = (int) Math.min(BLOCK_FRAMES, in.frames() - first);
            in.read(first, frames, 0, some, 0);
            for (int i = 0; i < frames; i++) {
                left += some[0][i] * some[0][i];
                right += some[1][i] * some[1][i];
                product += some[0][i] * some[1][i];
            }
        }
        return product < CANCELLING * Math.sqrt(left * right);
    }

    /**
     * Reads a stretch at its own rate.
     *
     * @param first may lie before the sound or behind it
     */
    void read(long first, int frames, double[] into) throws IOException {
        Arrays.fill(into, 0, frames, 0);
        long from = Math.max(0, first);
        long to = Math.min(in.frames(), first + frames);
        if (from < to) {
            if (block.length == 0 || block[0].length < to - from) {
                block = new double[channels][(int) (to - from)];
            }
            in.read(from, (int) (to - from), 0, block, 0);
            fold((int) (to - from), into, (int) (from - first));
        }
    }

    /** Reads a stretch as if it had the rate that {@code kernel} makes of its own. */
    void read(ResampleKernel kernel, long first, int frames, double[] into) throws IOException {
        double[][] out = new double[channels][frames];
        new ResampledReader(kernel).read(in, first, frames, 0, out);
        block = out;
        fold(frames, into, 0);
    }

    private void fold(int frames, double[] into, int at) {
        boolean both = channels == 2 && !oneSide;
        for (int i = 0; i < frames; i++) {
            into[at + i] = both ? block[0][i] + block[1][i] : block[0][i];
        }
    }
}
