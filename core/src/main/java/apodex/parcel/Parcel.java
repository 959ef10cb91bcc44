package apodex.parcel;

import apodex.audio.Digests;
import apodex.handoff.Handoff;
import apodex.handoff.NoteFile;
import apodex.handoff.Plan;
import apodex.naming.SafeName;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.session.Session;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

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
    record Item(String path, Path file, byte[] bytes, String sha256) {
        long size() throws IOException {
            return bytes == null ? Files.size(file) : bytes.length;
        }
    }

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

    /** Names of the zips, as many as {@link #write} will make of parts of these sizes. */
    private String zipName(int part, int parts) {
        return plan.name() + (parts == 1 ? "" : "_" + part + " of " + parts) + ".zip";
    }

    /**
     * Writes the zips.
     *
     * @param printed the folder that holds the printed files as they lie in the parcel
     * @param folder  where zips go; none of their names may be taken there
     * @return the zips, in order
     */
    public List<Path> write(Path printed, Path folder) throws IOException {
        List<List<Item>> parts = parts(items(printed));
        List<Path> zips = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Path zip = folder.resolve(zipName(i + 1, parts.size()));
            Map<String, String> hashes = new LinkedHashMap<>();
            parts.get(i).forEach(item -> hashes.put(item.path(), item.sha256()));
            List<Item> all = new ArrayList<>(parts.get(i));
            all.add(item(Checksums.FILE_NAME, Checksums.text(hashes).getBytes(StandardCharsets.UTF_8)));
            StoredZip.write(all, zip, day());
            zips.add(zip);
        }
        return zips;
    }

    private LocalDate day() {
        return LocalDate.parse(session.originated());
    }

    private List<Item> items(Path printed) throws IOException {
        List<Item> items = new ArrayList<>();
        for (FileProof file : proof.files()) {
            items.add(new Item(file.path(), printed.resolve(file.path()), null, file.sha256()));
        }
        List<String> others =
                new ArrayList<>(plan.notes().stream().map(NoteFile::path).toList());
        plan.listening().stream().filter(path -> !path.isEmpty()).forEach(others::add);
        for (String path : others) {
            items.add(new Item(path, printed.resolve(path), null, Digests.sha256(printed.resolve(path))));
        }
        Manifest manifest = Manifest.of(session, handoff, plan, proof);
        items.add(item(inSheet(Sheet.TEXT_NAME), sheetText().getBytes(StandardCharsets.UTF_8)));
        items.add(item(inSheet(Sheet.HTML_NAME), sheetHtml().getBytes(StandardCharsets.UTF_8)));
        items.add(item(inSheet(Sheet.PDF_NAME), sheetPdf()));
        items.add(item(inSheet(Manifest.JSON_NAME), manifest.json().getBytes(StandardCharsets.UTF_8)));
        items.add(item(inSheet(Manifest.CSV_NAME), manifest.csv().getBytes(StandardCharsets.UTF_8)));
        if (plan.document()) {
            items.add(item(
                    inSheet(SafeName.of(session.song().title()) + ".session.json"),
                    document.getBytes(StandardCharsets.UTF_8)));
        }
        return items;
    }

    private String inSheet(String name) {
        return plan.sheet().isEmpty() ? name : plan.sheet() + "/" + name;
    }

    private static Item item(String path, byte[] bytes) {
        return new Item(
                path, null, bytes, HexFormat.of().formatHex(Digests.sha256().digest(bytes)));
    }

    /** The sheet and its company come in the first part; then files in order, until one is full. A file is never cut. */
    private List<List<Item>> parts(List<Item> items) throws IOException {
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
