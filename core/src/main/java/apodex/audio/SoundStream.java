package apodex.audio;

import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A sound file read once, from its first byte to its last: its frames as they are stored, FLAC as it is decoded, and every byte of the
 * file itself for whoever takes checksums. Nothing is unpacked to a disk, and no more than a few blocks are held.
 */
public final class SoundStream implements AutoCloseable {
    private static final int REST_BYTES = 1 << 16;

    private final SoundInfo info;
    private final PcmLayout layout;
    private final InputStream in;
    private final FlacStream flac;
    private int waiting;
    private int waitingAt;
    private long read;

    /** Hears the bytes of a file, header and all, in order. */
    public interface Bytes {
        void take(byte[] bytes, int from, int length);
    }

    /**
     * Opens a file.
     *
     * @throws SoundFileException when it is no sound file, or one that cannot be read
     */
    public SoundStream(Path file, Bytes whole) throws IOException {
        info = SoundFile.examine(file);
        in = new Overheard(Files.newInputStream(file), whole);
        try {
            if (info.layout() == null) {
                layout = new PcmLayout(0, info.channels(), info.sample(), ByteOrder.LITTLE_ENDIAN);
                flac = new FlacStream(FlacFile.streamInfo(file), in);
            } else {
                layout = info.layout();
                flac = null;
                in.skipNBytes(layout.offset());
            }
        } catch (IOException | RuntimeException e) {
            in.close();
            throw e;
        }
    }

    /** Rate, channels, sample format and length in frames, as the header says. */
    public SoundInfo info() {
        return info;
    }

    /** How frames lie in what is read. */
    public PcmLayout layout() {
        return layout;
    }

    /**
     * Reads the next frames.
     *
     * @return how many: as many as are wanted, unless the file ends before
     * @throws IOException also when it ends sooner than its header says, or is damaged
     */
    public int read(byte[] into, int wanted) throws IOException {
        int frames = (int) Math.min(wanted, info.frames() - read);
        if (flac == null) {
            int bytes = frames * layout.frameBytes();
            if (in.readNBytes(into, 0, bytes) < bytes) {
                throw new EOFException("The recording is shorter than its header says.");
            }
        } else {
            unpack(into, frames);
        }
        read += frames;
        return frames;
    }

    private void unpack(byte[] into, int frames) throws IOException {
        int frameBytes = layout.frameBytes();
        for (int done = 0; done < frames; ) {
            if (waiting == 0) {
                waiting = flac.next();
                waitingAt = 0;
            }
            int count = Math.min(waiting, frames - done);
            System.arraycopy(flac.bytes(), waitingAt * frameBytes, into, done * frameBytes, count * frameBytes);
            waiting -= count;
            waitingAt += count;
            done += count;
        }
    }

    /** Reads what comes behind the last frame. @throws IOException also when what was decoded was not what had been encoded */
    public void finish() throws IOException {
        if (flac != null && read == info.frames()) {
            flac.next();
        }
        byte[] rest = new byte[REST_BYTES];
        while (in.read(rest) >= 0) {}
    }

    @Override
    public void close() throws IOException {
        in.close();
    }

    /** Lets nothing pass untold, what is skipped neither. */
    private static final class Overheard extends FilterInputStream {
        private final Bytes whole;

        Overheard(InputStream in, Bytes whole) {
            super(in);
            this.whole = whole;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int count = super.read(into, from, length);
            if (count > 0) {
                whole.take(into, from, count);
            }
            return count;
        }

        @Override
        public long skip(long count) throws IOException {
            byte[] skipped = new byte[(int) Math.max(0, Math.min(count, REST_BYTES))];
            return Math.max(0, read(skipped, 0, skipped.length));
        }

        @Override
        public boolean markSupported() {
            return false;
        }
    }
}
