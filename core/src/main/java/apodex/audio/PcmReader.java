package apodex.audio;

import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Reads uncompressed frames from any place of a file. One reader belongs to one thread at a time.
 * Its buffer grows to the largest stretch asked for and is then reused.
 */
public final class PcmReader implements AutoCloseable {
    private final FileChannel channel;
    private final PcmLayout layout;
    private final long frames;
    private byte[] bytes = new byte[0];
    private ByteBuffer buffer = ByteBuffer.wrap(bytes);

    /** Opens a file whose header was read by {@link SoundFile#examine}. */
    public PcmReader(Path file, SoundInfo info) throws IOException {
        if (info.layout() == null) {
            throw new IllegalArgumentException(info.container().label() + " has to be decoded before it can be read.");
        }
        this.layout = info.layout();
        this.frames = info.frames();
        this.channel = FileChannel.open(file, StandardOpenOption.READ);
    }

    /** Where in the file the samples lie, and how they are written. */
    public PcmLayout layout() {
        return layout;
    }

    /** Length in frames. */
    public long frames() {
        return frames;
    }

    /**
     * Reads whole frames as they are stored.
     *
     * @return the reader's own buffer, good until the next call; the frames start at its beginning
     * @throws EOFException when the stretch is not in the file
     */
    public byte[] readBytes(long firstFrame, int frameCount) throws IOException {
        if (firstFrame < 0 || firstFrame + frameCount > frames) {
            throw new EOFException("Frames " + firstFrame + " to " + (firstFrame + frameCount)
                    + " are not in a recording of " + frames + ".");
        }
        int wanted = frameCount * layout.frameBytes();
        if (bytes.length < wanted) {
            bytes = new byte[wanted];
            buffer = ByteBuffer.wrap(bytes);
        }
        buffer.position(0).limit(wanted);
        long at = layout.offset() + firstFrame * layout.frameBytes();
        while (buffer.hasRemaining()) {
            int read = channel.read(buffer, at + buffer.position());
            if (read < 0) {
                throw new EOFException("The recording is shorter than its header says.");
            }
        }
        return bytes;
    }

    /**
     * Reads and decodes a stretch of {@code into.length} neighbouring channels.
     *
     * @param into channels x frames; filled from {@code intoOffset} on
     */
    public void read(long firstFrame, int frameCount, int firstChannel, double[][] into, int intoOffset)
            throws IOException {
        byte[] raw = readBytes(firstFrame, frameCount);
        PcmDecoder.decode(raw, 0, layout, firstChannel, frameCount, into, intoOffset);
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
