package apodex.measure;

import apodex.audio.PcmReader;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What has to be read from every sample of a recording and is asked for again and again: true peak, offset, how the sides
 * go together, runs of full scale, and a mark that two recordings of the same sound share. Kept by blocks, so that any
 * stretch can be measured to the nearest {@value #BLOCK_FRAMES} frames without reading the recording again.
 */
public final class SoundScan {
    static final int BLOCK_FRAMES = 2_048;
    /** A mean further from nothing shows in a picture, and clicks where it is cut: half a hundredth of full scale. */
    public static final double OFFSET_SHOWS = 0.005;
    /** Fewer full samples in a row than this can be chance. */
    public static final int SHORTEST_RUN = 3;
    /** More are counted, but not placed. */
    private static final int MOST_RUNS = 1_000;

    private static final int FORM = 0x41505331;
    /** Per channel and block: true peak, sum, sum of squares; per pair: sum of products. */
    private static final int PER_CHANNEL = 3;

    private final int channels;
    private final long frames;
    private final long[] marks;
    private final List<Run> runs;
    /** blocks x (channels x 3 + pairs) */
    private final float[][] blocks;

    /**
     * Samples in a row that stand at full scale.
     *
     * @param channel from 0
     * @param frame   first of them, at the recording's rate
     * @param frames  how many
     */
    public record Run(int channel, long frame, int frames) {}

    /**
     * A stretch, measured.
     *
     * @param truePeak    amplitude; where samples stay below a quarter of full scale, their own peak
     * @param offset      the larger of the channels' means, by size, with its sign
     * @param energy      sum of the squares of all its samples
     * @param correlation of left and right, from -1 (opposite) to 1 (alike); 1 for one channel and for silence
     */
    public record Piece(double truePeak, double offset, double energy, double correlation) {}

    SoundScan(int channels, long frames, long[] marks, List<Run> runs, float[][] blocks) {
        this.channels = channels;
        this.frames = frames;
        this.marks = marks;
        this.runs = List.copyOf(runs);
        this.blocks = blocks;
    }

    /** Reads a whole recording. */
    public static SoundScan of(PcmReader in, SampleRate rate) throws IOException {
        return new SoundScanner(in, rate).scan();
    }

    /** Runs of full scale, in the order of their frames within each channel; the first thousand. */
    public List<Run> runs() {
        return runs;
    }

    /** A number that channels of the same sound and length share; 0 for silence. */
    public long mark(int channel) {
        return marks[channel];
    }

    /** @param channelCount 1 or 2 */
    public Piece measure(int firstChannel, int channelCount, FrameRange range) {
        FrameRange inside = range.intersection(new FrameRange(0, frames));
        if (inside.isEmpty()) {
            return new Piece(0, 0, 0, 1);
        }
        double peak = 0;
        double[] sum = new double[channelCount];
        double[] square = new double[channelCount];
        double product = 0;
        long counted = 0;
        int last = (int) ((inside.end() - 1) / BLOCK_FRAMES);
        for (int b = (int) (inside.start() / BLOCK_FRAMES); b <= last; b++) {
            for (int c = 0; c < channelCount; c++) {
                int at = (firstChannel + c) * PER_CHANNEL;
                peak = Math.max(peak, blocks[b][at]);
                sum[c] += blocks[b][at + 1];
                square[c] += blocks[b][at + 2];
            }
            if (channelCount == 2 && firstChannel % 2 == 0) {
                product += blocks[b][channels * PER_CHANNEL + firstChannel / 2];
            }
            counted += Math.min(BLOCK_FRAMES, frames - (long) b * BLOCK_FRAMES);
        }
        double offset = 0;
        for (double each : sum) {
            offset = Math.abs(each / counted) > Math.abs(offset) ? each / counted : offset;
        }
        boolean pair = channelCount == 2 && firstChannel % 2 == 0 && square[0] > 0 && square[1] > 0;
        return new Piece(
                peak, offset, Arrays.stream(square).sum(), pair ? product / Math.sqrt(square[0] * square[1]) : 1);
    }

    /** Keeps the scan in a file of its own form. */
    public void write(Path file) throws IOException {
        try (DataOutputStream out = new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(file)))) {
            out.writeInt(FORM);
            out.writeInt(channels);
            out.writeLong(frames);
            for (long mark : marks) {
                out.writeLong(mark);
            }
            out.writeInt(runs.size());
            for (Run run : runs) {
                out.writeInt(run.channel());
                out.writeLong(run.frame());
                out.writeInt(run.frames());
            }
            for (float[] block : blocks) {
                for (float value : block) {
                    out.writeFloat(value);
                }
            }
        }
    }

    /** Reads what {@link #write} wrote. */
    public static SoundScan read(Path file) throws IOException {
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(file)))) {
            if (in.readInt() != FORM) {
                throw new IOException("The measurements of this recording are of another form.");
            }
            int channels = in.readInt();
            long frames = in.readLong();
            long[] marks = new long[channels];
            for (int c = 0; c < channels; c++) {
                marks[c] = in.readLong();
            }
            List<Run> runs = new ArrayList<>();
            for (int left = in.readInt(); left > 0; left--) {
                runs.add(new Run(in.readInt(), in.readLong(), in.readInt()));
            }
            float[][] blocks = new float[blockCount(frames)][width(channels)];
            for (float[] block : blocks) {
                for (int i = 0; i < block.length; i++) {
                    block[i] = in.readFloat();
                }
            }
            return new SoundScan(channels, frames, marks, runs, blocks);
        }
    }

    static int blockCount(long frames) {
        return Math.toIntExact((frames + BLOCK_FRAMES - 1) / BLOCK_FRAMES);
    }

    static int width(int channels) {
        return channels * PER_CHANNEL + channels / 2;
    }

    static boolean isRoomForRuns(List<Run> runs) {
        return runs.size() < MOST_RUNS;
    }
}
