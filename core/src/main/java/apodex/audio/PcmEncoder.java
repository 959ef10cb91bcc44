package apodex.audio;

/**
 * Turns doubles into interleaved little-endian samples: rounds to the nearest step, adds the print's dither, and
 * holds what passes full scale at full scale while counting it.
 */
public final class PcmEncoder {
    private final SampleFormat sample;
    private final int channels;
    private final long ditherSeed;
    private long overs;

    /**
     * @param sample     16, 24, 32-bit integer or 32-bit float
     * @param ditherSeed seed of the print's noise
     */
    public PcmEncoder(SampleFormat sample, int channels, long ditherSeed) {
        switch (sample) {
            case INT16, INT24, INT32, FLOAT32 -> {}
            default -> throw new IllegalArgumentException("Apodex does not write " + sample.label() + " samples.");
        }
        this.sample = sample;
        this.channels = channels;
        this.ditherSeed = ditherSeed;
    }

    /** Samples so far that lay beyond full scale of an integer format. */
    public long overs() {
        return overs;
    }

    /** Bytes of one frame: all channels of it. */
    public int frameBytes() {
        return channels * sample.bytes();
    }

    /**
     * Encodes frames {@code [from, to)} of a block into their place in {@code out}.
     *
     * @param block      channels x frames
     * @param firstFrame frame of the print that index 0 of the block stands for
     * @param out        bytes of the whole block, interleaved
     */
    public void encode(double[][] block, int from, int to, long firstFrame, Dither dither, byte[] out) {
        for (int c = 0; c < channels; c++) {
            int at = from * frameBytes() + c * sample.bytes();
            if (sample == SampleFormat.FLOAT32) {
                floats(block[c], from, to, out, at);
            } else if (dither == Dither.NONE) {
                integers(block[c], from, to, out, at);
            } else {
                dithered(block[c], from, to, firstFrame, c, out, at);
            }
        }
    }

    private void floats(double[] in, int from, int to, byte[] out, int at) {
        for (int i = from; i < to; i++, at += frameBytes()) {
            store(Float.floatToRawIntBits((float) (in[i] + 0.0)), 4, out, at); // + 0.0: there is one silence, not two
        }
    }

    private void integers(double[] in, int from, int to, byte[] out, int at) {
        if (sample == SampleFormat.INT24) {
            twentyFour(in, from, to, out, at);
            return;
        }
        double scale = Math.scalb(1.0, sample.bits() - 1);
        int bytes = sample.bytes();
        int step = frameBytes();
        for (int i = from; i < to; i++, at += step) {
            store(held(Math.rint(in[i] * scale), scale), bytes, out, at);
        }
    }

    /** The usual depth has a loop of its own: no count of bytes inside it. */
    private void twentyFour(double[] in, int from, int to, byte[] out, int at) {
        int step = frameBytes();
        long beyond = 0;
        for (int i = from, p = at; i < to; i++, p += step) {
            double rounded = Math.rint(in[i] * 0x1p23);
            double inside = Math.max(-0x1p23, Math.min(0x1p23 - 1, rounded));
            beyond += inside == rounded ? 0 : 1;
            int value = (int) inside;
            out[p] = (byte) value;
            out[p + 1] = (byte) (value >> 8);
            out[p + 2] = (byte) (value >> 16);
        }
        overs += beyond;
    }

    private void dithered(double[] in, int from, int to, long firstFrame, int channel, byte[] out, int at) {
        double scale = Math.scalb(1.0, sample.bits() - 1);
        if (sample == SampleFormat.INT16) {
            sixteenDithered(in, from, to, firstFrame, channel, out, at);
            return;
        }
        for (int i = from; i < to; i++, at += frameBytes()) {
            double noise = Dither.triangular(ditherSeed, firstFrame + i, channel);
            store(held(Math.rint(in[i] * scale + noise), scale), sample.bytes(), out, at);
        }
    }

    /** The one depth the policy dithers has a loop of its own. */
    private void sixteenDithered(double[] in, int from, int to, long firstFrame, int channel, byte[] out, int at) {
        int step = frameBytes();
        long beyond = 0;
        for (int i = from, p = at; i < to; i++, p += step) {
            double rounded = Math.rint(in[i] * 0x1p15 + Dither.triangular(ditherSeed, firstFrame + i, channel));
            double inside = Math.max(-0x1p15, Math.min(0x1p15 - 1, rounded));
            beyond += inside == rounded ? 0 : 1;
            int value = (int) inside;
            out[p] = (byte) value;
            out[p + 1] = (byte) (value >> 8);
        }
        overs += beyond;
    }

    private int held(double value, double scale) {
        if (value >= scale) {
            overs++;
            return (int) (scale - 1);
        }
        if (value < -scale) {
            overs++;
            return (int) -scale;
        }
        return (int) value;
    }

    private static void store(int value, int bytes, byte[] out, int at) {
        for (int b = 0; b < bytes; b++) {
            out[at + b] = (byte) (value >> 8 * b);
        }
    }
}
