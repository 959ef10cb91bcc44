package apodex.signal;

import apodex.audio.Dither;
import apodex.audio.PcmEncoder;
import apodex.audio.ResampleKernel;
import apodex.audio.SoundWriter;
import apodex.audio.StreamResampler;
import apodex.measure.Decibels;
import apodex.measure.SoundMeasures;
import apodex.measure.SoundMeter;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.Arrays;

/** Takes a stream's blocks into a tap's file: the passage's frames, the wanted sides, trim, rate, dither, sample format. */
final class TapFile implements AutoCloseable {
    private static final double QUIET = Decibels.toFactor(Passage.QUIET_DBFS);
    private final Tap tap;
    private final Passage passage;
    private final DitherGate ditherGate;
    private final Dither dither;
    private final PcmEncoder encoder;
    private final SoundWriter out;
    private final ResampleKernel kernel;
    private final StreamResampler[] resamplers;
    private final double trim;
    private final long watchFrom;
    /** A second, in frames of the session. */
    private final int passageSecond;

    private final long leadIn;
    private final long mostFrames;
    private final SidePeaks peaks = new SidePeaks();
    private final double[][] own;
    private final double[][] picked;
    private double[][] resampled = new double[0][];
    private byte[] bytes = new byte[0];
    private long framesWritten;
    private @Nullable SoundMeter meter;
    private volatile long lastLoud = Long.MIN_VALUE / 2;

    /**
     * @param longest  frames of the session the file can cover, tail included
     * @param coverage where clips sound, for a tap at Raw; null elsewhere
     * @param exact    whether the target format holds every sample exactly, so that nothing is rounded
     */
    TapFile(
            Tap tap,
            SampleRate rate,
            Passage passage,
            long longest,
            boolean exact,
            @Nullable Coverage coverage,
            Kernels kernels,
            int blockFrames)
            throws IOException {
        this.tap = tap;
        this.passage = passage;
        this.trim = Decibels.toFactor(tap.trimDb());
        boolean foreign = !tap.rate().equals(rate);
        this.dither = Dither.policy(exact && !foreign && trim == 1, tap.depth());
        this.ditherGate = new DitherGate(foreign ? null : coverage);
        this.encoder = new PcmEncoder(tap.depth(), tap.channels().count(), tap.ditherSeed());
        this.own = new double[tap.channels().count()][blockFrames];
        this.picked = own.clone();
        this.kernel = foreign ? kernels.between(rate, tap.rate()) : null;
        this.resamplers = new StreamResampler[foreign ? picked.length : 0];
        for (int c = 0; c < resamplers.length; c++) {
            resamplers[c] = new StreamResampler(kernel);
        }
        this.passageSecond = rate.hertz();
        this.watchFrom = passage.range().end() - rate.hertz();
        this.leadIn = foreign
                ? Math.round((double) passage.leadInFrames() * tap.rate().hertz() / rate.hertz())
                : passage.leadInFrames();
        this.mostFrames = framesFor(longest);
        this.out = open(tap, mostFrames);
    }

    static SoundWriter open(Tap tap, long frames) throws IOException {
        return tap.kind().open(tap.file(), tap.rate(), tap.channels().count(), tap.depth(), frames, tap.label());
    }

    /** Lets somebody hear the frames of a file that is not written. */
    void hear(SoundWriter.Listener listener) {
        out.listen(listener, Long.MAX_VALUE);
    }

    /** What may turn out to be mono in the end is measured only then. */
    void measure() {
        meter = new SoundMeter(tap.rate(), out.layout());
        out.listen(
                meter,
                tap.file() == null
                        ? Long.MAX_VALUE // what is cut off again is as good as silent
                        : tap.channels() == Channels.MEASURED
                                ? 0
                                : framesFor(passage.range().frames()));
    }

    /** Frames of the file when the passage covers {@code frames} of the session. */
    private long framesFor(long frames) {
        return leadIn + (kernel == null ? frames : kernel.framesOut(frames));
    }

    /** {@link #lookAhead()} of a file that is not written. */
    static long lookAhead(Tap tap, SampleRate rate, Kernels kernels) {
        return tap.rate().equals(rate) ? 0 : kernels.between(rate, tap.rate()).half() + 1L;
    }

    /** Frames by which it needs to see more of the stream than the passage has. */
    long lookAhead() {
        return kernel == null ? 0 : kernel.half() + 1L;
    }

    /** Last frame of the session at which it was not quiet, from a second before the range's end on. */
    long lastLoudFrame() {
        return lastLoud;
    }

    /**
     * Takes the next block.
     *
     * @param block  channels x frames
     * @param width  how many of the channels count
     * @param first  frame of the session that index 0 stands for
     * @param sounds false when the block holds nothing
     */
    void take(double[][] block, int width, long first, int frames, boolean sounds) throws IOException {
        long history = kernel == null ? 0 : kernel.half();
        int from = (int) Math.max(0, Math.min(frames, passage.range().start() - history - first));
        if (from == frames || framesWritten >= mostFrames && framesWritten > 0) {
            return;
        }
        if (framesWritten == 0 && leadIn > 0) {
            silence(leadIn);
        }
        if (!sounds && kernel == null && !ditherGate.mayStayOpen(dither)) {
            silence(Math.min(frames - from, mostFrames - framesWritten));
            return;
        }
        int length = frames - from;
        pick(block, width, from, length, sounds);
        if (first + frames > watchFrom) {
            watch(first + from, length);
        }
        if (kernel == null) {
            encode(picked, (int) Math.min(length, mostFrames - framesWritten), first + from);
        } else {
            resample(first + from - passage.range().start(), length);
        }
    }

    /** Points {@link #picked} at the wanted sides; copies only what has to be changed. */
    private void pick(double[][] block, int width, int from, int length, boolean sounds) {
        boolean asItIs = sounds && from == 0 && trim == 1 && tap.channels() != Channels.MONO_SUM;
        for (int c = 0; c < picked.length; c++) {
            if (asItIs) {
                picked[c] = block[Math.min(tap.channels().side(c), width - 1)];
                continue;
            }
            picked[c] = own[c];
            double[] to = own[c];
            if (!sounds) {
                Arrays.fill(to, 0, length, 0);
                continue;
            }
            double[] side = block[Math.min(tap.channels().side(c), width - 1)];
            if (tap.channels() == Channels.MONO_SUM && width == 2) {
                double[] other = block[1];
                for (int i = 0; i < length; i++) {
                    to[i] = 0.5 * (side[from + i] + other[from + i]);
                }
            } else {
                System.arraycopy(side, from, to, 0, length);
            }
            if (trim != 1) {
                for (int i = 0; i < length; i++) {
                    to[i] *= trim;
                }
            }
        }
        if (tap.channels() == Channels.MEASURED) {
            peaks.add(picked[0], picked[1], length);
        }
    }

    private void watch(long first, int length) {
        for (int i = length - 1; i >= 0 && first + i >= watchFrom; i--) {
            for (double[] channel : picked) {
                if (Math.abs(channel[i]) >= QUIET) {
                    lastLoud = Math.max(lastLoud, first + i);
                    return;
                }
            }
        }
    }

    private void resample(long sinceStart, int length) throws IOException {
        int most = (int) kernel.framesOut(length) + 2;
        if (resampled.length == 0 || resampled[0].length < most) {
            resampled = new double[picked.length][most];
        }
        int count = 0;
        for (int c = 0; c < picked.length; c++) {
            count = resamplers[c].process(picked[c], 0, length, sinceStart, resampled[c]);
        }
        encode(resampled, (int) Math.min(count, mostFrames - framesWritten), framesWritten);
    }

    private void encode(double[][] samples, int length, long first) throws IOException {
        int size = length * encoder.frameBytes();
        if (bytes.length < size) {
            bytes = new byte[size];
        }
        if (dither == Dither.NONE) {
            encoder.encode(samples, 0, length, first, Dither.NONE, bytes);
        } else {
            for (int from = 0; from < length; ) {
                int to = ditherGate.end(samples, from, length, first);
                encoder.encode(samples, from, to, first, ditherGate.isOpen() ? dither : Dither.NONE, bytes);
                from = to;
            }
        }
        out.write(bytes, size);
        framesWritten += length;
    }

    private void silence(long frames) throws IOException {
        int piece = own[0].length * encoder.frameBytes();
        if (bytes.length < piece) {
            bytes = new byte[piece];
        }
        Arrays.fill(bytes, 0, piece, (byte) 0);
        for (long left = frames * encoder.frameBytes(); left > 0; left -= piece) {
            out.write(bytes, (int) Math.min(left, piece));
        }
        framesWritten += frames;
    }

    /**
     * Ends the file and closes it.
     *
     * @param end frame of the session it goes to
     */
    Printed finish(long end) throws IOException {
        long frames = framesFor(end - passage.range().start());
        long quietAt = Math.max(passage.range().end(), lastLoud + 1 + passageSecond);
        boolean same = tap.channels() == Channels.MEASURED
                && switch (peaks.image().kind()) {
                    case SAME_ON_BOTH_SIDES, SILENT, MONO -> true;
                    // one side alone stays in its place: the file's name would have to say where it sat
                    case STEREO, LEFT_ONLY, RIGHT_ONLY -> false;
                };
        if (same && meter != null && tap.file() != null) {
            out.listen(null, 0);
        }
        out.finish(frames);
        if (!out.isComplete()) {
            throw new IllegalStateException("The walk left “" + tap.row() + "” unfinished.");
        }
        out.close();
        if (same && tap.file() == null) {
            SoundMeasures both = meter == null ? null : meter.measures().oneSide();
            return new Printed(1, frames, quietAt, encoder.overs() / 2, Placed.MIDDLE, out.digest(), both);
        }
        if (same) {
            return MonoCopy.replace(
                    tap, frames, quietAt, encoder.overs() / 2, meter == null ? Measuring.NOTHING : Measuring.ALL);
        }
        SoundMeasures measures = meter == null ? null : meter.measures();
        return new Printed(
                tap.channels().count(), frames, quietAt, encoder.overs(), Placed.MIDDLE, out.digest(), measures);
    }

    @Override
    public void close() throws IOException {
        out.close();
    }
}
