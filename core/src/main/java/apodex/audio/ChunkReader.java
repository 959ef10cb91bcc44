package apodex.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;

/** Reads header bytes at given places of a file, and says in words when they are not there. */
final class ChunkReader {
    private final FileChannel channel;
    private final long length;

    ChunkReader(FileChannel channel) throws IOException {
        this.channel = channel;
        this.length = channel.size();
    }

    long length() {
        return length;
    }

    /** The bytes at {@code offset} in the given order. */
    ByteBuffer read(long offset, int bytes, ByteOrder order) throws IOException {
        if (offset < 0 || offset + bytes > length) {
            throw new SoundFileException("It ends in the middle of its header, at byte " + length + ".");
        }
        ByteBuffer buffer = ByteBuffer.allocate(bytes).order(order);
        while (buffer.hasRemaining()) {
            if (channel.read(buffer, offset + buffer.position()) < 0) {
                throw new SoundFileException("It ends in the middle of its header.");
            }
        }
        return buffer.flip();
    }

    /** The four letters at {@code offset}. */
    String id(long offset) throws IOException {
        return new String(read(offset, 4, ByteOrder.BIG_ENDIAN).array(), StandardCharsets.ISO_8859_1);
    }
}
