package apodex.measure;

import apodex.audio.PcmReader;
import apodex.time.FrameRange;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * What a recording looks like at any scale, and how loud any stretch of it is, without reading it all.
 * Answers come from the file {@link OverviewScan} wrote and, below its finest bins, from the recording itself, so
 * they are exact to the frame.
 */
public final class Overview implements AutoCloseable {
    private final FileChannel channel;
    private final OverviewLayout layout;
    private final Opening recording;
    /** Opened when it is needed, which for most of what is drawn it is not. */
    @Nullable
    private PcmReader opened;

    /** Opens the scanned recording. */
    public interface Opening {
        PcmReader open() throws IOException;
    }

    /** @param recording asked for once at most, by what is finer than the overview; closed with this */
    public Overview(Path overview, Opening recording) throws IOException {
        this.recording = recording;
        this.channel = FileChannel.open(overview, StandardOpenOption.READ);
        this.layout = OverviewLayout.read(readAt(0, OverviewLayout.HEADER_BYTES));
    }

    /** Channels of the recording. */
    public int channels() {
        return layout.channels();
    }

    /** Frames of the recording, at its own rate. */
    public long frames() {
        return layout.frames();
    }

    /**
     * Lowest and highest sample in equal bins, for drawing.
     *
     * @param zoom bins hold 4^zoom frames
     * @return channels x (2 x bins): low, high, low, high...; shorter than asked where the recording ends
     */
    public float[][] lowsAndHighs(int zoom, long firstBin, int bins) throws IOException {
        long framesPerBin = 1L << 2 * zoom;
        long all = (layout.frames() + framesPerBin - 1) / framesPerBin;
        int count = (int) Math.max(0, Math.min(bins, all - firstBin));
        float[][] out = new float[layout.channels()][2 * count];
        int level = zoom - 4; // the finest level has 4^4 frames a bin
        if (level >= 0) {
            fromPyramid(level, firstBin, count, out);
        } else {
            fromSamples((int) framesPerBin, firstBin, count, out);
        }
        return out;
    }

    private void fromPyramid(int level, long firstBin, int count, float[][] out) throws IOException {
        int usable = Math.min(level, layout.levels() - 1);
        float[] bins = bins(usable, firstBin, count);
        for (int c = 0; c < out.length; c++) {
            for (int b = 0; b < count; b++) {
                out[c][2 * b] = bins[b * layout.binFloats() + 2 * c];
                out[c][2 * b + 1] = bins[b * layout.binFloats() + 2 * c + 1];
            }
        }
    }

    private void fromSamples(int framesPerBin, long firstBin, int count, float[][] out) throws IOException {
        if (count == 0) {
            return;
        }
        long first = firstBin * framesPerBin;
        int frames = (int) Math.min((long) count * framesPerBin, layout.frames() - first);
        double[][] samples = new double[layout.channels()][frames];
        recording().read(first, frames, 0, samples, 0);
        for (int c = 0; c < out.length; c++) {
            for (int b = 0; b < count; b++) {
                double low = Double.POSITIVE_INFINITY;
                double high = Double.NEGATIVE_INFINITY;
                for (int i = b * framesPerBin; i < Math.min(frames, (b + 1) * framesPerBin); i++) {
                    low = Math.min(low, samples[c][i]);
                    high = Math.max(high, samples[c][i]);
                }
                out[c][2 * b] = (float) low;
                out[c][2 * b + 1] = (float) high;
            }
        }
    }

    /**
     * Measures a stretch of one channel or of a pair.
     *
     * @param channelCount 1 or 2
     */
    public StereoImage measure(int firstChannel, int channelCount, FrameRange stretch) throws IOException {
        StereoImage nothing = new StereoImage(0, 0, 0, channelCount == 1);
        FrameRange inside = stretch.intersection(new FrameRange(0, layout.frames()));
        return measure(firstChannel, channelCount, inside, layout.levels() - 1, nothing);
    }

    /** Whole bins of this level from the pyramid, what sticks out at both ends from the level below. */
    private StereoImage measure(int first, int count, FrameRange range, int level, StereoImage soFar)
            throws IOException {
        if (range.isEmpty()) {
            return soFar;
        }
        if (level < 0) {
            return soFar.with(measureSamples(first, count, range));
        }
        long size = OverviewLayout.framesPerBin(level);
        long fromBin = (range.start() + size - 1) / size;
        // The last bin may be short; it is whole when the range goes to the recording's end.
        long toBin = range.end() == layout.frames() ? layout.bins(level) : range.end() / size;
        if (fromBin >= toBin) {
            return measure(first, count, range, level - 1, soFar);
        }
        StereoImage image = soFar.with(measureBins(first, count, level, fromBin, toBin));
        image = measure(first, count, new FrameRange(range.start(), fromBin * size), level - 1, image);
        long end = Math.min(toBin * size, range.end());
        return measure(first, count, new FrameRange(end, range.end()), level - 1, image);
    }

    private StereoImage measureBins(int first, int count, int level, long fromBin, long toBin) throws IOException {
        float[] bins = bins(level, fromBin, Math.toIntExact(toBin - fromBin));
        int stride = layout.binFloats();
        double left = 0;
        double right = 0;
        double difference = 0;
        int second = first + count - 1;
        for (int at = 0; at < bins.length; at += stride) {
            left = Math.max(left, Math.max(-bins[at + 2 * first], bins[at + 2 * first + 1]));
            right = Math.max(right, Math.max(-bins[at + 2 * second], bins[at + 2 * second + 1]));
            if (count == 2) {
                difference = Math.max(difference, bins[at + 2 * layout.channels() + first / 2]);
            }
        }
        return new StereoImage(left, right, difference, count == 1);
    }

    private StereoImage measureSamples(int first, int count, FrameRange range) throws IOException {
        int frames = Math.toIntExact(range.frames());
        double[][] samples = new double[count][frames];
        recording().read(range.start(), frames, first, samples, 0);
        double left = 0;
        double right = 0;
        double difference = 0;
        double[] other = samples[count - 1];
        for (int i = 0; i < frames; i++) {
            left = Math.max(left, Math.abs(samples[0][i]));
            right = Math.max(right, Math.abs(other[i]));
            difference = Math.max(difference, Math.abs(samples[0][i] - other[i]));
        }
        return new StereoImage(left, right, difference, count == 1);
    }

    private PcmReader recording() throws IOException {
        if (opened == null) {
            opened = recording.open();
        }
        return opened;
    }

    private float[] bins(int level, long firstBin, int count) throws IOException {
        float[] out = new float[count * layout.binFloats()];
        readAt(layout.position(level, firstBin), out.length * 4)
                .order(ByteOrder.LITTLE_ENDIAN)
                .asFloatBuffer()
                .get(out);
        return out;
    }

    private ByteBuffer readAt(long position, int bytes) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(bytes);
        while (buffer.hasRemaining()) {
            if (channel.read(buffer, position + buffer.position()) < 0) {
                throw new IOException("The overview ends early.");
            }
        }
        return buffer.flip();
    }

    @Override
    public void close() throws IOException {
        try (channel) {
            if (opened != null) {
                opened.close();
            }
        }
    }
}
