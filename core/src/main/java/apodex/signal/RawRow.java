package apodex.signal;

import apodex.audio.PcmReader;
import apodex.measure.Decibels;
import apodex.session.AudioRow;
import apodex.session.Clip;
import java.io.IOException;
import java.util.Arrays;
import java.util.Comparator;

/**
 * The Raw station of an audio row: its clips at their places with gain and fades, silence between them. A row
 * whose clips all have one channel is one channel wide; otherwise two, mono clips on both sides. Blocks are asked
 * for in ascending order.
 */
final class RawRow implements AutoCloseable {
    private final Clip[] clips;
    private final double[] gains;
    private final int width;
    private final ClipReaders readers;
    private double[][] scratch = new double[0][];
    private int firstAlive;

    RawRow(AudioRow row, Recordings recordings) {
        clips = row.clips().stream().sorted(Comparator.comparingLong(Clip::position)).toArray(Clip[]::new);
        gains = Arrays.stream(clips).mapToDouble(clip -> Decibels.toFactor(clip.gainDb())).toArray();
        width = row.clips().stream().mapToInt(Clip::channels).max().orElse(1);
        readers = new ClipReaders(recordings);
    }

    /** Channels it is wide: 1 or 2. */
    int width() {
        return width;
    }

    /**
     * Renders frames {@code [first, first + frames)}.
     *
     * @param block width x at least {@code frames}; overwritten
     * @return false when no clip sounds there, and the block is all zeros
     */
    boolean render(long first, int frames, double[][] block) throws IOException {
        for (double[] channel : block) {
            Arrays.fill(channel, 0, frames, 0.0);
        }
        long end = first + frames;
        boolean sounds = false;
        while (firstAlive < clips.length && clips[firstAlive].range().end() <= first) {
            firstAlive++;
        }
        for (int i = firstAlive; i < clips.length && clips[i].position() < end; i++) {
            Clip clip = clips[i];
            long from = Math.max(first, clip.position());
            long to = Math.min(end, clip.position() + clip.frames());
            if (from < to) {
                add(clip, gains[i], from, (int) (to - from), (int) (from - first), block);
                sounds = true;
            }
        }
        return sounds;
    }

    private void add(Clip clip, double gain, long from, int frames, int at, double[][] block) throws IOException {
        double[][] samples = scratch(clip.channels(), frames);
        PcmReader reader = readers.of(clip);
        long inClip = from - clip.position();
        reader.read(clip.offset() + inClip, frames, clip.firstChannel(), samples, 0);
        if (!clip.isUntouched()) {
            ClipGain.apply(clip, gain, inClip, frames, samples);
        }
        for (int c = 0; c < block.length; c++) {
            double[] in = samples[Math.min(c, samples.length - 1)];
            double[] out = block[c];
            for (int i = 0; i < frames; i++) {
                out[at + i] += in[i];
            }
        }
    }

    private double[][] scratch(int channels, int frames) {
        if (scratch.length != channels || scratch[0].length < frames) {
            scratch = new double[channels][frames];
        }
        return scratch;
    }

    @Override
    public void close() throws IOException {
        readers.close();
    }
}
