package apodex.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Writes an uncompressed sound file: header first, then frames in order. The header is made for the most frames there can
 * be; {@link #finish} cuts the file to the frames it really has and writes the header again.
 */
public abstract sealed class SoundWriter implements AutoCloseable permits WavWriter, AiffWriter {
    /** Bytes are handed to the file system in pieces of about this size. */
    private static final int BUFFER_BYTES = 1 << 16;

    private final FileChannel channel;
    private final ByteBuffer buffer = ByteBuffer.allocate(BUFFER_BYTES);
    private final int frameBytes;
    private long frames;
    private long written;
    private final SampleDigest digest = new SampleDigest();

    SoundWriter(Path file, int frameBytes, long frames) throws IOException {
        this.frameBytes = frameBytes;
        this.frames = frames;
        this.channel = FileChannel.open(
                file, StandardOpenOption.CREATE_NEW, StandardOpenOption.READ, StandardOpenOption.WRITE);
    }

    /** The header of a file of so many frames; its length does not depend on them. */
    abstract ByteBuffer header(long frames);

    /** Puts bytes into the file's order, in place, before they are written. */
    void order(byte[] bytes, int length) {}

    final void begin() throws IOException {
        try {
            writeFully(header(frames));
        } catch (IOException e) {
            channel.close();
            throw e;
        }
    }

    /** Appends encoded frames. The bytes may be changed. */
    public final void write(byte[] bytes, int length) throws IOException {
        order(bytes, length);
        written += length;
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

    /** Says how many frames there are after all: no more than were promised and written. */
    public final void finish(long finalFrames) throws IOException {
        if (finalFrames == frames) {
            return;
        }
        flush();
        ByteBuffer header = header(finalFrames);
        long end = header.remaining() + finalFrames * frameBytes;
        if (finalFrames > frames || written < finalFrames * frameBytes) {
            throw new IllegalStateException(
                    "A file of " + written / frameBytes + " frames cannot end at " + finalFrames + ".");
        }
        long samples = header.remaining();
        channel.truncate(end);
        digest.cut(finalFrames * frameBytes, (into, at) -> {
            while (into.hasRemaining() && channel.read(into, samples + at + into.position()) >= 0) {}
        });
        written = finalFrames * frameBytes;
        frames = finalFrames;
        long at = 0;
        while (header.hasRemaining()) {
            at += channel.write(header, at);
        }
        channel.position(end);
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
        if (!channel.isOpen()) {
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
        while (bytes.hasRemaining()) {
            channel.write(bytes);
        }
    }
}
