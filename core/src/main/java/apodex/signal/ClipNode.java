package apodex.signal;

import apodex.audio.PcmReader;
import apodex.audio.ResampledReader;
import apodex.measure.Decibels;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Session;
import java.io.IOException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Clips at their places with gain and fades, silence between them; clip inserts are not its business. Clips that all have
 * one channel make one channel; otherwise two, mono clips on both sides. Recordings of another rate are resampled.
 */
final class ClipNode extends Node {
    private final Clip[] clips;
    private final double[] gains;
    private final ResampledReader[] resampled;
    private final ClipReaders readers;
    private final Curtain curtain;
    private double[][] scratch = new double[0][];
    private final double[][] target;
    private int firstAlive;

    /** @param curtain when everything falls silent */
    ClipNode(Session session, List<Clip> unordered, Recordings recordings, Kernels kernels, Curtain curtain) {
        super(unordered.stream().mapToInt(Clip::channels).max().orElse(1), 0, 0, 0);
        this.clips = unordered.stream()
                .sorted(Comparator.comparingLong(Clip::position))
                .toArray(Clip[]::new);
        this.gains = Arrays.stream(clips)
                .mapToDouble(clip -> (clip.inverted() ? -1 : 1) * Decibels.toFactor(clip.gainDb()))
                .toArray();
        this.resampled = new ResampledReader[clips.length];
        for (int i = 0; i < clips.length; i++) {
            Recording recording = session.recording(clips[i].recording());
            if (!recording.rate().equals(session.rate())) {
                resampled[i] = new ResampledReader(kernels.between(recording.rate(), session.rate()));
            }
        }
        this.readers = new ClipReaders(session, recordings);
        this.target = new double[width][];
        this.curtain = curtain;
    }

    @Override
    boolean run(double[][] block, int slot, long first, int frames, boolean sounds) throws IOException {
        long blockEnd = Math.min(curtain.frame(), first + frames);
        while (firstAlive < clips.length && clips[firstAlive].range().end() <= first) {
            firstAlive++;
        }
        boolean sounding = false;
        for (int i = firstAlive; i < clips.length && clips[i].position() < blockEnd; i++) {
            Clip clip = clips[i];
            long from = Math.max(first, clip.position());
            long to = Math.min(blockEnd, clip.position() + clip.frames());
            if (from < to) {
                if (!sounding && isPlain(i)) {
                    readAlone(i, from, (int) (to - from), (int) (from - first), frames, block);
                    sounding = true;
                    continue;
                }
                if (!sounding) {
                    for (int c = 0; c < width; c++) {
                        Arrays.fill(block[c], 0, frames, 0);
                    }
                    sounding = true;
                }
                add(i, from, (int) (to - from), (int) (from - first), block);
            }
        }
        return sounding;
    }

    /** Whether its samples can be read straight into the block. */
    private boolean isPlain(int index) {
        return resampled[index] == null && clips[index].isUntouched() && clips[index].channels() == width;
    }

    private void readAlone(int index, long from, int length, int at, int frames, double[][] block) throws IOException {
        Clip clip = clips[index];
        for (int c = 0; c < width; c++) {
            Arrays.fill(block[c], 0, at, 0);
            Arrays.fill(block[c], at + length, frames, 0);
            target[c] = block[c];
        }
        readers.of(clip).read(clip.offset() + from - clip.position(), length, clip.firstChannel(), target, at);
    }

    private void add(int index, long from, int frames, int at, double[][] block) throws IOException {
        Clip clip = clips[index];
        double[][] samples = scratch(clip.channels(), frames);
        PcmReader reader = readers.of(clip);
        long inClip = from - clip.position();
        if (resampled[index] != null) {
            resampled[index].read(reader, clip.offset() + inClip, frames, clip.firstChannel(), samples);
        } else {
            reader.read(clip.offset() + inClip, frames, clip.firstChannel(), samples, 0);
        }
        if (!clip.isUntouched()) {
            ClipGain.apply(clip, gains[index], inClip, frames, samples);
        }
        for (int c = 0; c < width; c++) {
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
    void close() throws IOException {
        readers.close();
    }
}
