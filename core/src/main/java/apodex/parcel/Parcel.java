package apodex.parcel;

import apodex.audio.Digests;
import apodex.handoff.NoteFile;
import apodex.handoff.Plan;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.session.Session;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;

/**
 * Packs printed files, session sheet and checksums into one zip, stored without compression, Zip64 where needed.
 * Entry times come from the session, so the same run gives the same bytes.
 */
public final class Parcel {
    private final Session session;
    private final Plan plan;
    private final Proof proof;
    private final String receiver;

    /** @param receiver name of the handoff, for the sheet */
    public Parcel(Session session, Plan plan, Proof proof, String receiver) {
        this.session = session;
        this.plan = plan;
        this.proof = proof;
        this.receiver = receiver;
    }

    /** The zip's file name. */
    public String zipName() {
        return plan.name() + ".zip";
    }

    public String sheet() {
        return SessionSheet.text(session, plan, proof, receiver);
    }

    /**
     * Writes the zip.
     *
     * @param printed the folder that holds the printed files as they lie in the parcel
     * @param zip     must not exist
     */
    public void write(Path printed, Path zip) throws IOException {
        Map<String, String> hashes = new LinkedHashMap<>();
        byte[] sheet = sheet().getBytes(StandardCharsets.UTF_8);
        // A file, not a stream: sizes and checksums of stored entries can then be filled in after their bytes.
        try (ZipArchiveOutputStream out = new ZipArchiveOutputStream(zip)) {
            out.setMethod(ZipEntry.STORED);
            out.setUseZip64(Zip64Mode.AsNeeded);
            out.setEncoding(StandardCharsets.UTF_8.name());
            for (FileProof file : proof.files()) {
                String path = file.path();
                put(out, path, printed.resolve(path));
                hashes.put(path, file.sha256());
            }
            for (NoteFile notes : plan.notes()) {
                putHashed(out, hashes, notes.path(), printed.resolve(notes.path()));
            }
            for (String mp3 : plan.listening()) {
                if (!mp3.isEmpty()) {
                    putHashed(out, hashes, mp3, printed.resolve(mp3));
                }
            }
            put(out, SessionSheet.FILE_NAME, sheet);
            hashes.put(SessionSheet.FILE_NAME, HexFormat.of().formatHex(Digests.sha256().digest(sheet)));
            put(out, Checksums.FILE_NAME, Checksums.text(hashes).getBytes(StandardCharsets.UTF_8));
        }
    }

    private void putHashed(ZipArchiveOutputStream out, Map<String, String> hashes, String path, Path file)
            throws IOException {
        put(out, path, file);
        hashes.put(path, Digests.sha256(file));
    }

    private void put(ZipArchiveOutputStream out, String path, Path file) throws IOException {
        ZipArchiveEntry entry = entry(path, Files.size(file));
        out.putArchiveEntry(entry);
        Files.copy(file, (OutputStream) out);
        out.closeArchiveEntry();
    }

    private void put(ZipArchiveOutputStream out, String path, byte[] bytes) throws IOException {
        ZipArchiveEntry entry = entry(path, bytes.length);
        CRC32 crc = new CRC32();
        crc.update(bytes);
        entry.setCrc(crc.getValue());
        out.putArchiveEntry(entry);
        out.write(bytes);
        out.closeArchiveEntry();
    }

    private ZipArchiveEntry entry(String path, long size) {
        ZipArchiveEntry entry = new ZipArchiveEntry(path);
        entry.setSize(size);
        LocalDate day = LocalDate.parse(session.originated());
        entry.setLastModifiedTime(FileTime.from(day.atTime(12, 0).toInstant(ZoneOffset.UTC)));
        entry.setUnixMode(0100644);
        return entry;
    }
}
