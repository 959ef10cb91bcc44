package apodex.measure;

import apodex.audio.PcmReader;
import apodex.time.SampleRate;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** Reads a recording once, from front to back, for {@link SoundScan}. */
final class SoundScanner {
    /** Below this no peak between two samples comes near full scale, and it is not looked for. */
    private static final double WORTH_RAISING = 0.25;

    private final PcmReader in;
    private final int channels;
    private final double fullScale;
    private final TruePeak[] truePeaks;
    private final long[] marks;
    private final int[] full;
    private final List<SoundScan.Run> runs = new ArrayList<>();
    private final double[][] block;

    SoundScanner(PcmReader in, SampleRate rate) {
        this.in = in;
        this.channels = in.layout().channels();
        this.fullScale = in.layout().sample().fullScale();
        this.truePeaks = new TruePeak[channels];
        for (int c = 0; c < channels; c++) {
            truePeaks[c] = new TruePeak(rate, 1);
        }
        this.marks = new long[channels];
        this.full = new int[channels];
        this.block = new double[channels][SoundScan.BLOCK_FRAMES];
    }

    SoundScan scan() throws IOException {
        float[][] blocks = new float[SoundScan.blockCount(in.frames())][];
        for (int b = 0; b < blocks.length; b++) {
            long first = (long) b * SoundScan.BLOCK_FRAMES;
            int frames = (int) Math.min(SoundScan.BLOCK_FRAMES, in.frames() - first);
            in.read(first, frames, 0, block, 0);
            blocks[b] = measure(first, frames);
        }
        for (int c = 0; c < channels; c++) {
            endRun(c, in.frames());
        }
        return new SoundScan(channels, in.frames(), marks, runs, blocks);
    }

    private float[] measure(long first, int frames) {
        float[] out = new float[SoundScan.width(channels)];
        for (int c = 0; c < channels; c++) {
            double[] samples = block[c];
            double peak = 0;
            double sum = 0;
            double square = 0;
            for (int i = 0; i < frames; i++) {
                double sample = samples[i];
                double size = Math.abs(sample);
                peak = Math.max(peak, size);
                sum += sample;
                square += sample * sample;
                if (sample != 0) {
                    marks[c] = (marks[c] + Double.doubleToRawLongBits(sample) * (2 * (first + i) + 1))
                            * 0x9E3779B97F4A7C15L;
                }
                if (size >= fullScale) {
                    full[c]++;
                } else if (full[c] > 0) {
                    endRun(c, first + i);
                }
            }
            double truePeak = truePeaks[c].peakOf(
                    samples,
                    frames,
                    peak >= WORTH_RAISING ? TruePeak.Looking.BETWEEN_SAMPLES_TOO : TruePeak.Looking.AT_SAMPLES);
            out[3 * c] = (float) Math.max(peak, truePeak);
            out[3 * c + 1] = (float) sum;
            out[3 * c + 2] = (float) square;
        }
        for (int pair = 0; pair < channels / 2; pair++) {
            double product = 0;
            for (int i = 0; i < frames; i++) {
                product += block[2 * pair][i] * block[2 * pair + 1][i];
            }
            out[3 * channels + pair] = (float) product;
        }
        return out;
    }

    private void endRun(int channel, long end) {
        if (full[channel] >= SoundScan.SHORTEST_RUN && SoundScan.isRoomForRuns(runs)) {
            runs.add(new SoundScan.Run(channel, end - full[channel], full[channel]));
        }
        full[channel] = 0;
    }
}
