package apodex.signal;

import apodex.audio.FileKind;
import apodex.audio.PcmLayout;
import apodex.audio.PcmReader;
import apodex.audio.WavWriter;
import apodex.measure.SoundMeasures;
import apodex.measure.SoundMeter;
import apodex.session.Clip;
import apodex.session.Row;
import apodex.session.Session;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * The quick way for a Raw file whose samples are stored just as in its recordings: stretches of bytes are put in
 * place without being decoded. Most Raw files of a session are of this kind, which makes printing them about as
 * fast as copying.
 */
final class PlainCopy extends Task implements AutoCloseable {
    private static final int PIECE_FRAMES = 16_384;

    private final Clip[] clips;
    private final Channels channels;
    private final int sampleBytes;
    private final int frameBytes;
    private final ClipReaders readers;
    private final WavWriter out;
    private final long start;
    private final long rangeEnd;
    private final long leadInFrames;
    private final long soundEnd;
    private final long end;
    private final long walkStart;
    private final int blockFrames;
    private byte[] block = new byte[0];
    private int firstAlive;
    private long next;
    private final SampleRate rate;
    private final boolean isWritten;
    private @Nullable SoundMeter meter;

    /** Whether {@code tap} can be written this way. */
    static boolean isPossible(Session session, Row row, Tap tap) {
        return row.placedAt(tap.station())
                .filter(clips -> isPossible(session, clips, tap))
                .isPresent();
    }

    private static boolean isPossible(Session session, List<Clip> clips, Tap tap) {
        return tap.trimDb() == 0
                && tap.kind() == FileKind.WAV
                && tap.rate().equals(session.rate())
                && tap.channels() != Channels.MEASURED
                && tap.channels() != Channels.MONO_SUM
                && Exactness.isOnlyPlaced(clips)
                && clips.stream()
                        .map(clip -> session.recording(clip.recording()))
                        .allMatch(recording -> recording.sample() == tap.depth()
                                && recording.rate().equals(session.rate()));
    }

    /**
     * @param soundEnd frame of the session from which on nothing new sounds
     * @param end      frame of the session at which the file ends
     */
    PlainCopy(
            Session session,
            Row row,
            Tap tap,
            Recordings recordings,
            WavWriter out,
            Passage passage,
            long soundEnd,
            long end,
            long walkStart,
            int blockFrames) {
        this.clips = row.placedAt(tap.station()).orElseThrow().stream()
                .sorted(Comparator.comparingLong(Clip::position))
                .toArray(Clip[]::new);
        this.channels = tap.channels();
        this.rate = tap.rate();
        this.isWritten = tap.file() != null;
        this.sampleBytes = tap.depth().bytes();
        this.frameBytes = sampleBytes * channels.count();
        this.readers = new ClipReaders(session, recordings);
        this.out = out;
        this.start = passage.range().start();
        this.rangeEnd = passage.range().end();
        this.leadInFrames = passage.leadInFrames();
        this.soundEnd = soundEnd;
        this.end = end;
        this.walkStart = walkStart;
        this.blockFrames = blockFrames;
        this.next = start;
    }

    void measure() {
        meter = new SoundMeter(rate, out.layout());
        out.listen(meter, isWritten ? leadInFrames + rangeEnd - start : Long.MAX_VALUE);
    }

    private void silence(long frames) throws IOException {
        byte[] zeros = new byte[PIECE_FRAMES * frameBytes];
        for (long left = frames * frameBytes; left > 0; left -= zeros.length) {
            out.write(zeros, (int) Math.min(left, zeros.length));
        }
    }

    /** Copies in pieces larger than the walk's blocks, since nothing here is computed. */
    @Override
    void step(long number) throws IOException {
        if (number == 0) {
            silence(leadInFrames);
        }
        long reached = Math.min(end, walkStart + (number + 1) * blockFrames);
        while (reached - next >= PIECE_FRAMES || reached == end && next < end) {
            int frames = (int) Math.min(PIECE_FRAMES, end - next);
            copy(next, frames);
            next += frames;
        }
    }

    private void copy(long first, int frames) throws IOException {
        if (block.length < frames * frameBytes) {
            block = new byte[frames * frameBytes];
        }
        long end = first + frames;
        while (firstAlive < clips.length && clips[firstAlive].range().end() <= first) {
            firstAlive++;
        }
        if (firstAlive < clips.length
                && end <= soundEnd
                && coversWhole(clips[firstAlive], first, end)
                && isStoredAlike(clips[firstAlive])) {
            Clip clip = clips[firstAlive];
            byte[] bytes = readers.of(clip).readBytes(clip.offset() + first - clip.position(), frames);
            out.write(bytes, frames * frameBytes);
            return;
        }
        Arrays.fill(block, 0, frames * frameBytes, (byte) 0);
        for (int i = firstAlive; i < clips.length && clips[i].position() < Math.min(end, soundEnd); i++) {
            Clip clip = clips[i];
            long from = Math.max(first, clip.position());
            long to = Math.min(Math.min(end, soundEnd), clip.range().end());
            if (from < to) {
                place(clip, from, (int) (to - from), (int) (from - first));
            }
        }
        out.write(block, frames * frameBytes);
    }

    private static boolean coversWhole(Clip clip, long first, long end) {
        return clip.position() <= first && clip.range().end() >= end;
    }

    private boolean isStoredAlike(Clip clip) throws IOException {
        PcmLayout layout = readers.of(clip).layout();
        return layout.frameBytes() == frameBytes
                && clip.channels() == channels.count()
                && layout.order() == ByteOrder.LITTLE_ENDIAN;
    }

    private void place(Clip clip, long from, int frames, int at) throws IOException {
        PcmReader reader = readers.of(clip);
        byte[] source = reader.readBytes(clip.offset() + from - clip.position(), frames);
        if (isStoredAlike(clip)) {
            System.arraycopy(source, 0, block, at * frameBytes, frames * frameBytes);
            return;
        }
        PcmLayout layout = reader.layout();
        boolean little = layout.order() == ByteOrder.LITTLE_ENDIAN;
        for (int c = 0; c < channels.count(); c++) {
            int side = Math.min(channels.side(c), clip.channels() - 1);
            int read = (clip.firstChannel() + side) * sampleBytes;
            int write = at * frameBytes + c * sampleBytes;
            for (int i = 0; i < frames; i++, read += layout.frameBytes(), write += frameBytes) {
                for (int b = 0; b < sampleBytes; b++) {
                    block[write + b] = source[read + (little ? b : sampleBytes - 1 - b)];
                }
            }
        }
    }

    /** Copies what is left and ends the file. @param finalEnd frame of the session it goes to */
    Printed finish(long finalEnd) throws IOException {
        while (next < finalEnd) {
            int count = (int) Math.min(PIECE_FRAMES, finalEnd - next);
            copy(next, count);
            next += count;
        }
        long frames = leadInFrames + finalEnd - start;
        out.finish(frames);
        if (!out.isComplete()) {
            throw new IllegalStateException("The walk left a copied file unfinished.");
        }
        out.close();
        SoundMeasures measures = meter == null ? null : meter.measures();
        return new Printed(channels.count(), frames, rangeEnd, 0, Placed.MIDDLE, out.digest(), measures);
    }

    @Override
    public void close() throws IOException {
        readers.close();
        out.close();
    }
}
