package apodex.measure;

import apodex.audio.PcmReader;
import apodex.audio.SoundFileException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Reads a recording once, from front to back, and writes its overview: for every stretch of 256 frames the lowest
 * and highest sample of each channel and the widest difference of each channel pair, then the same for every four
 * stretches, up to one stretch for all. {@link Overview} describes the file.
 */
public final class OverviewScan {
    /** As an amplitude, +180 dBFS: what is beyond was never heard, and floats run out of it when it is mixed. */
    private static final double LOUDEST = 1e9;

    private static final int BLOCK_FRAMES = 16_384;

    private final int channels;
    private final OverviewLayout layout;
    private final float[][] levels;
    private final double[][] block;

    private OverviewScan(int channels, long frames) {
        this.channels = channels;
        this.layout = new OverviewLayout(channels, frames);
        this.levels = new float[layout.levels()][];
        for (int level = 1; level < levels.length; level++) {
            levels[level] = new float[Math.toIntExact(layout.bins(level) * layout.binFloats())];
        }
        this.block = new double[channels][BLOCK_FRAMES];
    }

    /**
     * Scans {@code in} and writes {@code overview}.
     *
     * @throws SoundFileException when a floating-point sample is no number, with its frame
     */
    public static void write(PcmReader in, Path overview) throws IOException {
        OverviewScan scan = new OverviewScan(in.layout().channels(), in.frames());
        try (FileChannel out = FileChannel.open(overview, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            writeFully(out, scan.layout.header());
            scan.baseLevel(in, out);
            for (int level = 1; level < scan.levels.length; level++) {
                ByteBuffer bytes =
                        ByteBuffer.allocate(scan.levels[level].length * 4).order(ByteOrder.LITTLE_ENDIAN);
                bytes.asFloatBuffer().put(scan.levels[level]);
                writeFully(out, bytes);
            }
            out.force(true);
        }
    }

    private void baseLevel(PcmReader in, FileChannel out) throws IOException {
        int binFloats = layout.binFloats();
        float[] bin = new float[binFloats];
        ByteBuffer bytes = ByteBuffer.allocate(BLOCK_FRAMES / OverviewLayout.BASE_FRAMES * binFloats * 4)
                .order(ByteOrder.LITTLE_ENDIAN);
        for (long first = 0; first < in.frames(); first += BLOCK_FRAMES) {
            int frames = (int) Math.min(BLOCK_FRAMES, in.frames() - first);
            in.read(first, frames, 0, block, 0);
            bytes.clear();
            for (int from = 0; from < frames; from += OverviewLayout.BASE_FRAMES) {
                measure(first, from, Math.min(frames, from + OverviewLayout.BASE_FRAMES), bin);
                for (float value : bin) {
                    bytes.putFloat(value);
                }
                raise((first + from) / OverviewLayout.BASE_FRAMES, bin);
            }
            writeFully(out, bytes.flip());
        }
    }

    private void measure(long blockStart, int from, int to, float[] bin) throws SoundFileException {
        for (int c = 0; c < channels; c++) {
            double[] samples = block[c];
            double low = samples[from];
            double high = low;
            double sum = 0;
            for (int i = from; i < to; i++) {
                double sample = samples[i];
                low = sample < low ? sample : low;
                high = sample > high ? sample : high;
                sum += sample;
            }
            if (!Double.isFinite(sum)) {
                throw new SoundFileException(
                        "It holds a sample that is not a number, near frame " + (blockStart + from) + ".");
            }
            if (Math.max(-low, high) > LOUDEST) {
                throw new SoundFileException(
                        "It holds a sample that is a billion times louder than full scale, near frame "
                                + (blockStart + from) + ": that is no sound.");
            }
            bin[2 * c] = (float) low;
            bin[2 * c + 1] = (float) high;
        }
        for (int pair = 0; pair < channels / 2; pair++) {
            double widest = 0;
            for (int i = from; i < to; i++) {
                double apart = Math.abs(block[2 * pair][i] - block[2 * pair + 1][i]);
                widest = apart > widest ? apart : widest;
            }
            bin[2 * channels + pair] = (float) widest;
        }
    }

    /** Takes a base bin into the bin above it on every level. */
    private void raise(long baseBin, float[] bin) {
        long index = baseBin;
        for (int level = 1; level < levels.length; level++) {
            boolean first = isFirstBelow(baseBin, level);
            index /= OverviewLayout.STEP;
            int at = (int) index * bin.length;
            float[] into = levels[level];
            for (int i = 0; i < bin.length; i++) {
                boolean low = i < 2 * channels && (i & 1) == 0;
                into[at + i] = first ? bin[i] : low ? Math.min(into[at + i], bin[i]) : Math.max(into[at + i], bin[i]);
            }
        }
    }

    private static boolean isFirstBelow(long baseBin, int level) {
        return (baseBin & (1L << 2 * level) - 1) == 0;
    }

    private static void writeFully(FileChannel out, ByteBuffer bytes) throws IOException {
        while (bytes.hasRemaining()) {
            out.write(bytes);
        }
    }
}
