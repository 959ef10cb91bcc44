package apodex.parcel;

import apodex.parcel.Parcel.Item;
import apodex.parcel.ZipPieces.Piece;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.attribute.FileTime;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;

/**
 * A zip whose entries are stored without compression, which sound files would hardly gain by; Zip64 where needed. All of its bytes follow
 * from names, sizes and checksums, so it is made without reading a file.
 */
final class StoredZip {
    private StoredZip() {}

    /** @param day what entries are dated */
    static ZipPieces of(String name, List<Item> items, LocalDate day) throws IOException {
        Pieces pieces = new Pieces();
        try (ZipArchiveOutputStream out = new ZipArchiveOutputStream(pieces)) {
            out.setUseZip64(Zip64Mode.AsNeeded);
            out.setEncoding(StandardCharsets.UTF_8.name());
            for (Item item : items) {
                ZipArchiveEntry entry = new ZipArchiveEntry(item.path());
                entry.setMethod(ZipEntry.STORED);
                entry.setSize(item.size());
                entry.setCompressedSize(item.size());
                entry.setCrc(item.crc32());
                entry.setLastModifiedTime(FileTime.from(day.atTime(12, 0).toInstant(ZoneOffset.UTC)));
                entry.setUnixMode(0100644);
                InputStream content = item.bytes() == null
                        ? new Hole(item.size(), () -> pieces.file(item))
                        : new ByteArrayInputStream(item.bytes());
                out.addRawArchiveEntry(entry, content); // raw: sizes and checksum are taken from the entry
                pieces.endFile();
            }
        }
        return new ZipPieces(name, pieces.all());
    }

    /** Stands for the bytes of a file: as many of them, of no meaning. */
    private static final class Hole extends InputStream {
        private final Runnable begins;
        private long left;
        private boolean begun;

        Hole(long size, Runnable begins) {
            this.left = size;
            this.begins = begins;
        }

        @Override
        public int read() {
            return left-- > 0 ? 0 : -1;
        }

        @Override
        public int read(byte[] into, int from, int length) {
            if (!begun) { // everything before it, the entry's header too, has been written by now
                begun = true;
                begins.run();
            }
            if (left == 0) {
                return -1;
            }
            int count = (int) Math.min(length, left);
            left -= count;
            return count;
        }
    }

    /** Takes the zip's own bytes, and a note where a file's would come. */
    private static final class Pieces extends OutputStream {
        private final List<Piece> all = new ArrayList<>();
        private final ByteArrayOutputStream own = new ByteArrayOutputStream();
        private boolean inFile;

        @Override
        public void write(int one) {
            if (!inFile) {
                own.write(one);
            }
        }

        @Override
        public void write(byte[] bytes, int from, int length) {
            if (!inFile) {
                own.write(bytes, from, length);
            }
        }

        void file(Item item) {
            endOwn();
            all.add(Piece.of(item.path(), item.size()));
            inFile = true;
        }

        void endFile() {
            inFile = false;
        }

        private void endOwn() {
            if (own.size() > 0) {
                all.add(Piece.of(own.toByteArray()));
                own.reset();
            }
        }

        List<Piece> all() {
            endOwn();
            return all;
        }
    }
}
