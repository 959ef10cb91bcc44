package apodex.signal;

import apodex.audio.Dither;
import apodex.audio.PcmEncoder;
import apodex.audio.WavWriter;
import java.io.IOException;
import java.util.Arrays;

/** Encodes blocks of a rendered signal into a tap's file: picks the sides, dithers where clips sound. */
final class TapFile {
    private final Channels channels;
    private final Dither dither;
    private final Coverage coverage;
    private final PcmEncoder encoder;
    private final WavWriter out;
    private final double[][] picked;
    private byte[] bytes = new byte[0];

    /** @param exact whether the target format holds every sample exactly, so that nothing is rounded */
    TapFile(Tap tap, boolean exact, Coverage coverage, WavWriter out) {
        this.channels = tap.channels();
        this.dither = Dither.policy(exact, tap.depth());
        this.coverage = coverage;
        this.encoder = new PcmEncoder(tap.depth(), channels.count(), tap.ditherSeed());
        this.out = out;
        this.picked = new double[channels.count()][];
    }

    /**
     * Writes the next block.
     *
     * @param block 1 or 2 channels x frames
     */
    void write(double[][] block, long first, int frames) throws IOException {
        int length = frames * encoder.frameBytes();
        if (bytes.length < length) {
            bytes = new byte[length];
        }
        for (int c = 0; c < picked.length; c++) {
            picked[c] = block[Math.min(channels.side(c), block.length - 1)];
        }
        int from = 0;
        while (from < frames) {
            boolean noisy = dither != Dither.NONE && coverage.covers(first + from);
            long edge = dither == Dither.NONE ? Long.MAX_VALUE : coverage.nextEdge(first + from);
            int to = (int) Math.min(frames, edge == Long.MAX_VALUE ? frames : edge - first);
            encoder.encode(picked, from, to, first, noisy ? dither : Dither.NONE, bytes);
            from = to;
        }
        out.write(bytes, length);
    }

    /** Samples that were held at full scale because the integer format ends there. */
    long overs() {
        return encoder.overs();
    }

    /** Writes digital silence. */
    void silence(int frames) throws IOException {
        int length = frames * encoder.frameBytes();
        if (bytes.length < length) {
            bytes = new byte[length];
        }
        Arrays.fill(bytes, 0, length, (byte) 0);
        out.write(bytes, length);
    }
}
