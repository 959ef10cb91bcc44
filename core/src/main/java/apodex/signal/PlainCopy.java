package apodex.signal;

import apodex.audio.PcmLayout;
import apodex.audio.PcmReader;
import apodex.audio.WavWriter;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Session;
import java.io.IOException;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Comparator;

/**
 * The quick way for a Raw file whose samples are stored just as in its recordings: stretches of bytes are put in
 * place without being decoded. Most Raw files of a session are of this kind, which makes printing them about as
 * fast as copying.
 */
final class PlainCopy implements RowTap {
    private final Clip[] clips;
    private final Channels channels;
    private final int sampleBytes;
    private final int frameBytes;
    private final ClipReaders readers;
    private final WavWriter out;
    private byte[] block = new byte[0];
    private int firstAlive;

    /** Whether {@code tap} can be written this way. */
    static boolean isPossible(Session session, AudioRow row, Tap tap) {
        return tap.station() == Station.RAW && Exactness.isOnlyPlaced(row) && row.clips().stream()
                .allMatch(clip -> session.recording(clip.recording()).sample() == tap.depth());
    }

    PlainCopy(AudioRow row, Tap tap, Recordings recordings, WavWriter out) {
        this.clips = row.clips().stream().sorted(Comparator.comparingLong(Clip::position)).toArray(Clip[]::new);
        this.channels = tap.channels();
        this.sampleBytes = tap.depth().bytes();
        this.frameBytes = sampleBytes * channels.count();
        this.readers = new ClipReaders(recordings);
        this.out = out;
    }

    @Override
    public void write(long first, int frames) throws IOException {
        if (block.length < frames * frameBytes) {
            block = new byte[frames * frameBytes];
        }
        long end = first + frames;
        while (firstAlive < clips.length && clips[firstAlive].range().end() <= first) {
            firstAlive++;
        }
        if (firstAlive < clips.length && coversWhole(clips[firstAlive], first, end) && isStoredAlike(clips[firstAlive])) {
            Clip clip = clips[firstAlive];
            byte[] bytes = readers.of(clip).readBytes(clip.offset() + first - clip.position(), frames);
            out.write(bytes, frames * frameBytes);
            return;
        }
        Arrays.fill(block, 0, frames * frameBytes, (byte) 0);
        for (int i = firstAlive; i < clips.length && clips[i].position() < end; i++) {
            Clip clip = clips[i];
            long from = Math.max(first, clip.position());
            long to = Math.min(end, clip.range().end());
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
        return layout.frameBytes() == frameBytes && clip.channels() == channels.count()
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

    @Override
    public void close() throws IOException {
        readers.close();
    }
}
