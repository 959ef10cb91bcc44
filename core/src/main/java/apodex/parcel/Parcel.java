package apodex.parcel;

import apodex.audio.Digests;
import apodex.handoff.Handoff;
import apodex.handoff.NoteFile;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.naming.SafeName;
import apodex.proof.EditProof;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.session.Session;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.CRC32;

/**
 * What leaves the house: printed files, session sheet, manifest and checksums, in one zip or in several that can each be
 * unpacked alone. Everything in it comes from the session, nothing from the clock, so the same run gives the same bytes.
 */
public final class Parcel {
    private final Session session;
    private final Handoff handoff;
    private final Plan plan;
    private final Proof proof;
    private final String document;
    private final Sheet sheet;
    private @Nullable List<Item> items;

    /** @param document the session as a document that opens in Apodex, for plans that ask for it */
    public Parcel(Session session, Handoff handoff, Plan plan, Proof proof, String document) {
        this.document = document;
        this.session = session;
        this.handoff = handoff;
        this.plan = plan;
        this.proof = proof;
        this.sheet = SheetContent.of(session, handoff, plan, proof);
    }

    /** A file of the parcel: bytes, or a file on the disk. */
    record Item(String path, long size, byte[] bytes, long crc32, String sha256) {}

    /** The session sheet as plain text. */
    public String sheetText() {
        return SheetText.of(sheet);
    }

    /** The session sheet as a page. */
    public String sheetHtml() {
        return SheetHtml.of(sheet);
    }

    /** The session sheet to print. */
    public byte[] sheetPdf() throws IOException {
        return SheetPdf.of(sheet, day());
    }

    /** Names of the zips. */
    private String zipName(int part, int parts) {
        return plan.name() + (parts == 1 ? "" : "_" + part + " of " + parts) + ".zip";
    }

    /**
     * The zips, in order. Printed files are not read for them: what is known of them is what the proof read.
     *
     * @param printed the folder that holds the printed files as they lie in the parcel
     */
    public List<ZipPieces> zips(Path printed) throws IOException {
        List<List<Item>> parts = parts(items(printed));
        List<ZipPieces> zips = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            zips.add(zip(zipName(i + 1, parts.size()), parts.get(i)));
        }
        return zips;
    }

    /**
     * A zip of what an earlier parcel does not have, its papers, and a page that says what goes in the place of what.
     *
     * @param printed as for {@link #zips}
     */
    public ZipPieces changes(Difference difference, Path printed) throws IOException {
        Set<String> sounds = plan.prints().stream().map(Print::path).collect(Collectors.toCollection(HashSet::new));
        proof.edits().forEach(edit -> sounds.add(edit.path()));
        sounds.addAll(difference.heard());
        List<Item> some = new ArrayList<>(items(printed).stream()
                .filter(item -> !sounds.contains(item.path()) || difference.holds(item.path()))
                .toList());
        String page = SheetHtml.of(difference.page(session.song().title()));
        some.add(0, item(Difference.PAGE, page.getBytes(StandardCharsets.UTF_8)));
        return zip(plan.name() + "_changes since " + SafeName.of(difference.since()) + ".zip", some);
    }

    private ZipPieces zip(String name, List<Item> items) throws IOException {
        Map<String, String> hashes = new LinkedHashMap<>();
        items.forEach(item -> hashes.put(item.path(), item.sha256()));
        List<Item> all = new ArrayList<>(items);
        all.add(item(Checksums.FILE_NAME, Checksums.text(hashes).getBytes(StandardCharsets.UTF_8)));
        return StoredZip.of(name, all, day());
    }

    private LocalDate day() {
        return LocalDate.parse(session.originated());
    }

    /** Made once: both zips hold the same papers. */
    private List<Item> items(Path printed) throws IOException {
        if (items == null) {
            items = made(printed);
        }
        return items;
    }

    private List<Item> made(Path printed) throws IOException {
        List<Item> all = new ArrayList<>();
        for (FileProof file : proof.files()) {
            if (file.isRead()) {
                all.add(new Item(file.path(), file.bytes(), null, file.crc32(), file.sha256()));
            }
        }
        for (EditProof edit : proof.edits()) {
            if (edit.isWhole()) {
                all.add(new Item(edit.path(), edit.bytes(), null, edit.crc32(), edit.sha256()));
            }
        }
        List<String> others =
                new ArrayList<>(plan.notes().stream().map(NoteFile::path).toList());
        Stream.concat(plan.listening().stream(), plan.beats().stream())
                .filter(path -> !path.isEmpty())
                .forEach(others::add);
        for (String path : others) {
            all.add(read(path, printed.resolve(path)));
        }
        Papers.of(session, handoff, plan, proof, sheet, document, day())
                .forEach((path, bytes) -> all.add(item(path, bytes)));
        return all;
    }

    private static Item item(String path, byte[] bytes) {
        CRC32 crc = new CRC32();
        crc.update(bytes);
        String sha256 = HexFormat.of().formatHex(Digests.sha256().digest(bytes));
        return new Item(path, bytes.length, bytes, crc.getValue(), sha256);
    }

    /** What no proof has read. */
    private static Item read(String path, Path file) throws IOException {
        CRC32 crc = new CRC32();
        MessageDigest sha256 = Digests.sha256();
        long size = 0;
        byte[] buffer = new byte[1 << 16];
        try (InputStream in = Files.newInputStream(file)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                crc.update(buffer, 0, read);
                sha256.update(buffer, 0, read);
                size += read;
            }
        }
        return new Item(path, size, null, crc.getValue(), HexFormat.of().formatHex(sha256.digest()));
    }

    /** The sheet and its company come in the first part; then files in order, until one is full. A file is never cut. */
    private List<List<Item>> parts(List<Item> items) {
        Integer megabytes = handoff.settled().splitMegabytes();
        if (megabytes == null) {
            return List.of(items);
        }
        List<Item> ordered = new ArrayList<>(
                items.stream().filter(item -> item.bytes() != null).toList());
        items.stream().filter(item -> item.bytes() == null).forEach(ordered::add);
        List<List<Item>> parts = new ArrayList<>(List.of(new ArrayList<>()));
        long room = megabytes * 1_000_000L;
        for (Item item : ordered) {
            if (item.size() > room && !parts.get(parts.size() - 1).isEmpty()) {
                parts.add(new ArrayList<>());
                room = megabytes * 1_000_000L;
            }
            parts.get(parts.size() - 1).add(item);
            room -= item.size();
        }
        return parts;
    }
}
