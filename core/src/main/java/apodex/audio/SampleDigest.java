package apodex.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.CRC32C;

/**
 * What tells whether samples on a disk are those that were handed to it: two checksums of different polynomials (CRC-32 of IEEE
 * 802.3, CRC-32C of RFC 3720), taken of pieces and then of the pieces' checksums. They cost next to nothing on the way to the disk, where
 * a cryptographic digest would cost more than the copying; the pieces let a file be cut before it is read again.
 */
public final class SampleDigest {
    private static final int PIECE_BYTES = 1 << 16;

    private final CRC32 crc = new CRC32();
    private final CRC32C castagnoli = new CRC32C();
    private long[] pieces = new long[64];
    private int count;
    private int inPiece;

    /** Takes the next bytes, in the order in which they lie in the file. */
    public void update(byte[] bytes, int from, int length) {
        int at = from;
        for (int left = length; left > 0; ) {
            int here = Math.min(left, PIECE_BYTES - inPiece);
            crc.update(bytes, at, here);
            castagnoli.update(bytes, at, here);
            at += here;
            left -= here;
            inPiece += here;
            if (inPiece == PIECE_BYTES) {
                endPiece();
            }
        }
    }

    private void endPiece() {
        if (count == pieces.length) {
            pieces = Arrays.copyOf(pieces, 2 * count);
        }
        pieces[count++] = crc.getValue() << 32 | castagnoli.getValue();
        crc.reset();
        castagnoli.reset();
        inPiece = 0;
    }

    /** Reads bytes back that were taken. */
    public interface Back {
        /** Fills a buffer with what was taken from byte {@code at} on. */
        void read(ByteBuffer into, long at) throws IOException;
    }

    /** Forgets what was taken after {@code bytes} bytes. */
    void cut(long bytes, Back back) throws IOException {
        count = Math.toIntExact(bytes / PIECE_BYTES);
        crc.reset();
        castagnoli.reset();
        inPiece = 0;
        ByteBuffer rest = ByteBuffer.allocate(Math.toIntExact(bytes % PIECE_BYTES));
        back.read(rest, bytes - rest.capacity());
        update(rest.array(), 0, rest.capacity());
    }

    /** The digest of all that was taken, in lower-case hex. */
    public String value() {
        ByteBuffer all = ByteBuffer.allocate((count + 2) * Long.BYTES);
        for (int i = 0; i < count; i++) {
            all.putLong(pieces[i]);
        }
        all.putLong(crc.getValue() << 32 | castagnoli.getValue());
        all.putLong((long) count * PIECE_BYTES + inPiece);
        CRC32 outer = new CRC32();
        CRC32C other = new CRC32C();
        outer.update(all.array());
        other.update(all.array());
        return String.format("%08x%08x", outer.getValue(), other.getValue());
    }
}
