package apodex.audio;

import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/**
 * Writes an uncompressed sound file: header first, then frames in order. The header is made for the most frames there can
 * be; {@link #finish} cuts the file to the frames it really has and writes the header again.
 */
public abstract sealed class SoundWriter implements AutoCloseable permits WavWriter, AiffWriter {
    /** Bytes are handed to the file system in pieces of about this size. */
    private static final int BUFFER_BYTES = 1 << 16;

    /** Null when nothing is written, and whoever listens is all there is. */
    private final @Nullable FileChannel channel;

    private final ByteBuffer buffer = ByteBuffer.allocate(BUFFER_BYTES);
    private final int frameBytes;
    private long frames;
    private long written;
    private final SampleDigest digest = new SampleDigest();
    private @Nullable Listener listener;
    private long certainFrames;
    private long toldFrames;

    /** @param file must not exist; null for none */
    SoundWriter(@Nullable Path file, int frameBytes, long frames) throws IOException {
        this.frameBytes = frameBytes;
        this.frames = frames;
        this.channel = file == null
                ? null
                : FileChannel.open(
                        file, StandardOpenOption.CREATE_NEW, StandardOpenOption.READ, StandardOpenOption.WRITE);
    }

    /** Hears the frames that stay in the file, in order, as they lie in it. */
    public interface Listener {
        /** Takes the next frames, which are at the start of the array. */
        void frames(byte[] raw, int count);

        /** How loud all of them are, for headers that say so. */
        default Optional<BroadcastExtension.Loudness> loudness() {
            return Optional.empty();
        }
    }

    /**
     * Lets somebody listen from now on, before the first frame.
     *
     * @param certain frames that will not be cut off again; what comes behind them is told by {@link #finish} alone
     */
    public final void listen(@Nullable Listener hears, long certain) {
        listener = hears;
        certainFrames = certain;
    }

    /** How the frames lie in the file. */
    public abstract PcmLayout layout();

    /** The header of a file of so many frames; its length does not depend on them, nor on the loudness. */
    abstract ByteBuffer header(long frames, @Nullable BroadcastExtension.Loudness loudness);

    /** Puts bytes into the file's order, in place, before they are written. */
    void order(byte[] bytes, int length) {}

    final void begin() throws IOException {
        try {
            writeFully(header(frames, null));
        } catch (IOException e) {
            close();
            throw e;
        }
    }

    /** Appends encoded frames. The bytes may be changed. */
    public final void write(byte[] bytes, int length) throws IOException {
        order(bytes, length);
        written += length;
        int certain = (int) Math.min(length / frameBytes, certainFrames - toldFrames);
        if (listener != null && certain > 0) {
            listener.frames(bytes, certain);
            toldFrames += certain;
        }
        if (channel == null) {
            return;
        }
        digest.update(bytes, 0, length);
        if (length > buffer.remaining()) {
            flush();
        }
        if (length > buffer.capacity()) {
            writeFully(ByteBuffer.wrap(bytes, 0, length));
        } else {
            buffer.put(bytes, 0, length);
        }
    }

    private void flush() throws IOException {
        writeFully(buffer.flip());
        buffer.clear();
    }

    /** Says how many frames there are after all: no more than were promised and written. To be called before closing. */
    public final void finish(long finalFrames) throws IOException {
        if (channel == null) {
            frames = finalFrames;
            written = Math.min(written, frames * frameBytes);
            return;
        }
        if (finalFrames == frames && listener == null) {
            return;
        }
        flush();
        long samples = header(frames, null).remaining();
        if (finalFrames != frames) {
            cut(finalFrames, samples);
        }
        if (listener != null) {
            tellRest(samples);
        }
        ByteBuffer header =
                header(frames, listener == null ? null : listener.loudness().orElse(null));
        for (long at = 0; header.hasRemaining(); ) {
            at += channel.write(header, at);
        }
        channel.position(samples + frames * frameBytes);
    }

    private void cut(long finalFrames, long samples) throws IOException {
        if (finalFrames > frames || written < finalFrames * frameBytes) {
            throw new IllegalStateException(
                    "A file of " + written / frameBytes + " frames cannot end at " + finalFrames + ".");
        }
        channel.truncate(samples + finalFrames * frameBytes);
        digest.cut(finalFrames * frameBytes, (into, at) -> readFully(into, samples + at));
        written = finalFrames * frameBytes;
        frames = finalFrames;
    }

    private void tellRest(long samples) throws IOException {
        byte[] rest = new byte[BUFFER_BYTES / frameBytes * frameBytes];
        while (toldFrames < Math.min(frames, written / frameBytes)) {
            int count = (int) Math.min(rest.length / frameBytes, frames - toldFrames);
            readFully(ByteBuffer.wrap(rest, 0, count * frameBytes), samples + toldFrames * frameBytes);
            listener.frames(rest, count);
            toldFrames += count;
        }
    }

    private void readFully(ByteBuffer into, long at) throws IOException {
        int start = into.position();
        while (into.hasRemaining() && channel.read(into, at + into.position() - start) >= 0) {}
    }

    /** {@link SampleDigest} of the samples as they were written. */
    public final String digest() {
        return digest.value();
    }

    /** True once every promised byte was written. */
    public final boolean isComplete() {
        return written == frames * frameBytes;
    }

    @Override
    public final void close() throws IOException {
        if (channel == null || !channel.isOpen()) {
            return;
        }
        try (channel) {
            flush();
            if (isComplete() && (written & 1) == 1) {
                writeFully(ByteBuffer.wrap(new byte[1])); // chunks are padded to even lengths
            }
        }
    }

    private void writeFully(ByteBuffer bytes) throws IOException {
        while (channel != null && bytes.hasRemaining()) {
            channel.write(bytes);
        }
    }
}
