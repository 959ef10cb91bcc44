package apodex.audio;

import java.io.IOException;
import java.nio.file.Path;
import net.sourceforge.javaflacencoder.EncodingConfiguration;
import net.sourceforge.javaflacencoder.FLACEncoder;
import net.sourceforge.javaflacencoder.StreamConfiguration;

/**
 * Makes FLAC (RFC 9639) from a plain file of 16 or 24-bit integers; what is finer is rounded to 24 bits. Whoever needs to be sure decodes
 * it: every proof does.
 */
public final class FlacWriter {
    /** Block sizes tried: the encoder trips over a last block of nothing, or of fewer frames than its predictors look back on. */
    private static final int[] BLOCK_SIZES = {4_096, 4_608, 4_095};

    /** What it is asked for here. */
    static final SampleFormat DEEPEST = SampleFormat.INT24;

    private static final int SHORTEST_BLOCK = 32;
    private static final int READ_FRAMES = 8_192;

    private FlacWriter() {}

    /**
     * Encodes {@code sound}.
     *
     * @param flac must not exist
     * @throws IOException also when FLAC cannot hold what is in it
     */
    public static void encode(Path sound, Path flac, SoundLabel label) throws IOException {
        SoundInfo info = SoundFile.examine(sound);
        SampleFormat sample =
                info.sample().isFloat() || info.sample().bits() > DEEPEST.bits() ? DEEPEST : info.sample();
        FLACEncoder encoder = new FLACEncoder();
        int block = blockSize(info.frames());
        StreamConfiguration stream = new StreamConfiguration(
                info.channels(), block, block, info.rate().hertz(), sample.bits());
        if (!encoder.setStreamConfiguration(stream)) {
            throw new IOException("FLAC cannot hold " + info.rate().label() + " with " + sample.label() + ".");
        }
        EncodingConfiguration how = new EncodingConfiguration();
        if (info.frames() < SHORTEST_BLOCK) {
            how.setSubframeType(EncodingConfiguration.SubframeType.VERBATIM);
        }
        encoder.setEncodingConfiguration(how);
        try (PcmReader in = new PcmReader(sound, info)) {
            try (TaggedFlacOutput out = new TaggedFlacOutput(flac, label, info.rate())) {
                encoder.setOutputStream(out);
                encoder.openFLACStream();
                write(in, info, sample, encoder);
            }
        }
    }

    private static int blockSize(long frames) {
        for (int size : BLOCK_SIZES) {
            if (frames % size >= SHORTEST_BLOCK) {
                return size;
            }
        }
        return BLOCK_SIZES[0] + 1;
    }

    private static void write(PcmReader in, SoundInfo info, SampleFormat sample, FLACEncoder encoder)
            throws IOException {
        int[] samples = new int[READ_FRAMES * info.channels()];
        double[][] decoded = new double[info.channels()][READ_FRAMES];
        double scale = Math.scalb(1.0, sample.bits() - 1);
        boolean rounds = sample != info.sample();
        for (long first = 0; first < info.frames(); first += READ_FRAMES) {
            int count = (int) Math.min(READ_FRAMES, info.frames() - first);
            in.read(first, count, 0, decoded, 0);
            for (int i = 0; i < count; i++) {
                for (int c = 0; c < info.channels(); c++) {
                    double value = decoded[c][i] * scale;
                    samples[i * info.channels() + c] =
                            (int) (rounds ? Math.max(-scale, Math.min(scale - 1, Math.rint(value))) : value);
                }
            }
            encoder.addSamples(samples, count);
            encoder.encodeSamples(encoder.fullBlockSamplesAvailableToEncode(), false);
        }
        encoder.encodeSamples(encoder.samplesAvailableToEncode(), true);
    }
}
