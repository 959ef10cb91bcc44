package apodex.parcel;

import apodex.parcel.Parcel.Item;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;

/** A zip whose entries are stored without compression, which sound files would hardly gain by; Zip64 where needed. */
final class StoredZip {
    private StoredZip() {}

    /**
     * Writes a zip, reading each file in pieces.
     *
     * @param zip must not exist
     * @param day what entries are dated
     */
    static void write(List<Item> items, Path zip, LocalDate day) throws IOException {
        // A file, not a stream: sizes and checksums of stored entries can then be filled in after their bytes.
        try (ZipArchiveOutputStream out = new ZipArchiveOutputStream(zip)) {
            out.setMethod(ZipEntry.STORED);
            out.setUseZip64(Zip64Mode.AsNeeded);
            out.setEncoding(StandardCharsets.UTF_8.name());
            for (Item item : items) {
                ZipArchiveEntry entry = new ZipArchiveEntry(item.path());
                entry.setSize(item.size());
                entry.setLastModifiedTime(FileTime.from(day.atTime(12, 0).toInstant(ZoneOffset.UTC)));
                entry.setUnixMode(0100644);
                if (item.bytes() != null) {
                    CRC32 crc = new CRC32();
                    crc.update(item.bytes());
                    entry.setCrc(crc.getValue());
                }
                out.putArchiveEntry(entry);
                if (item.bytes() == null) {
                    Files.copy(item.file(), (OutputStream) out);
                } else {
                    out.write(item.bytes());
                }
                out.closeArchiveEntry();
            }
        }
    }
}
