package apodex.intake;

import apodex.audio.Limits;
import apodex.session.EditRefused;
import apodex.session.NameRule;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/**
 * Everything that was dropped at once, zips unpacked. Collects what can be looked at further and, for the rest, why
 * not.
 */
public final class Drop {
    /** All entries together may unpack to this many times what is harmless of one. */
    private static final int ENTRIES_TOGETHER = 16;

    private static final byte[] ZIP_MAGIC = {'P', 'K', 3, 4};

    private final Path workFolder;
    private final DropProgress progress;
    private final List<DroppedFile> files = new ArrayList<>();
    private final List<Refusal> refused = new ArrayList<>();
    private @Nullable String zipTitle;
    private Map<String, ClipListForm> forms = Map.of();
    private Predicate<String> mayUse = sha256 -> true;
    private long unpackedBytes;
    private long packedBytes;

    /** @param workFolder an empty folder for unpacked files; the caller removes it */
    public Drop(Path workFolder) {
        this(workFolder, new DropProgress());
    }

    /** @param progress is told how far the drop has been looked into */
    public Drop(Path workFolder, DropProgress progress) {
        this.workFolder = workFolder;
        this.progress = progress;
    }

    /** Tells it how tables with certain headings are read, by {@link ClipListForm#key}. */
    public Drop knowing(Map<String, ClipListForm> byHeadings) {
        forms = Map.copyOf(byHeadings);
        return this;
    }

    /** Tells it which recordings whoever drops it may use by their SHA-256 alone, besides those that come along; all unless told. */
    public Drop mayUse(Predicate<String> sha256) {
        mayUse = sha256;
        return this;
    }

    boolean mayBeUsed(String sha256) {
        return mayUse.test(sha256);
    }

    Optional<ClipListForm> form(List<String> headings) {
        return Optional.ofNullable(forms.get(ClipListForm.key(headings)));
    }

    DropProgress progress() {
        return progress;
    }

    /** What can be used. */
    public List<DroppedFile> files() {
        return files;
    }

    /** What cannot, and why. */
    public List<Refusal> refused() {
        return refused;
    }

    /**
     * A title to start from: the first zip's name without its ending, else the folder's, else the only MIDI file's.
     *
     * @param folder that the files lay in; null when it is not known. One that is no name is passed over
     */
    public Optional<String> title(@Nullable String folder) {
        if (zipTitle != null) {
            return Optional.of(zipTitle);
        }
        if (folder != null) {
            try {
                return Optional.of(NameRule.check("folder", folder));
            } catch (EditRefused e) {
                // folders are called in ways that no song can be
            }
        }
        List<String> songs = files.stream()
                .map(DroppedFile::name)
                .filter(name -> name.toLowerCase(Locale.ROOT).matches(".*\\.midi?"))
                .toList();
        return songs.size() == 1 && !stem(songs.get(0)).isBlank() ? Optional.of(stem(songs.get(0))) : Optional.empty();
    }

    /**
     * What is made of the drop is called as it was said, or after what came, or else after the day.
     *
     * @param said   null or blank where nobody said
     * @param folder as in {@link #title}
     * @throws EditRefused when what was said cannot be a name
     */
    public String titleOr(@Nullable String said, @Nullable String folder) {
        if (said != null && !said.isBlank()) {
            return NameRule.check("name", said);
        }
        return title(folder)
                .orElseGet(() -> "Session of "
                        + LocalDate.now(ZoneOffset.UTC)
                                .format(DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH)));
    }

    /**
     * Takes one dropped file, or what is in it if it is a zip.
     *
     * @param folder  it lay in, with slashes; empty for none
     * @param name    as the sender called it
     * @param content its bytes in a temporary file, which may be moved away
     */
    public void add(String folder, String name, Path content) throws IOException {
        String checked = accept(name == null ? "" : name, Files.size(content));
        if (checked == null) {
            return;
        }
        if (isZip(content)) {
            unpack(checked, content);
        } else {
            files.add(new DroppedFile(clean(folder), checked, content));
        }
    }

    /** Takes a file that lay in no folder. */
    public void add(String name, Path content) throws IOException {
        add("", name, content);
    }

    /** The checked name, or null after noting why the file is refused. */
    private String accept(String name, long bytes) {
        String checked;
        try {
            checked = NameRule.check("file", name);
        } catch (EditRefused e) {
            refuse(name, e.getMessage());
            return null;
        }
        Optional<String> tooLarge = tooLarge(bytes);
        if (tooLarge.isPresent()) {
            refuse(name, tooLarge.get());
            return null;
        }
        if (files.size() >= Limits.FILES_PER_DROP) {
            refuse(name, "More than " + Limits.FILES_PER_DROP + " files came at once; drop it again by itself.");
            return null;
        }
        return checked;
    }

    /** Why a file of so many bytes is not taken; empty when it is. */
    public static Optional<String> tooLarge(long bytes) {
        return bytes < Limits.FILE_BYTES
                ? Optional.empty()
                : Optional.of(String.format(
                        Locale.ROOT,
                        "It has %.1f GB; a file must be smaller than %.0f GB.",
                        bytes / 1e9,
                        Limits.FILE_BYTES / 1e9));
    }

    /** Notes a file that did not even arrive, and why. */
    public void refuse(String name, String reason) {
        refused.add(new Refusal(NameRule.shown(name.isBlank() ? "(no name)" : name), reason));
    }

    private static String folderOf(String path) {
        int slash = path.lastIndexOf('/');
        return slash < 0 ? "" : clean(path.substring(0, slash));
    }

    /** It is only ever shown and compared, never opened. */
    private static String clean(String folder) {
        return folder.replace('\\', '/').replaceAll("^(?:\\.?/)+|/+$", "").replaceAll("\\p{Cntrl}", "");
    }

    private static boolean isZip(Path content) throws IOException {
        try (InputStream in = Files.newInputStream(content)) {
            return java.util.Arrays.equals(in.readNBytes(4), ZIP_MAGIC);
        }
    }

    private void unpack(String zipName, Path zip) throws IOException {
        int before = files.size();
        packedBytes += Files.size(zip);
        try (ZipFile opened = ZipFile.builder()
                .setPath(zip)
                .setCharset(StandardCharsets.UTF_8)
                .get()) {
            String trouble = structureTrouble(opened);
            if (trouble != null) {
                refuse(zipName, trouble);
                return;
            }
            Enumeration<ZipArchiveEntry> entries = opened.getEntries();
            while (entries.hasMoreElements()) {
                ZipArchiveEntry entry = entries.nextElement();
                if (!entry.isDirectory() && !isSystemLeftover(entry.getName())) {
                    unpack(opened, entry, zipName);
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            refuse(zipName, "It starts like a zip but cannot be unpacked: the file is damaged or cut short.");
            return;
        }
        if (files.size() > before && zipTitle == null) {
            zipTitle = stem(zipName);
        }
    }

    /** What is wrong with the zip as a whole: nothing of such a zip is taken. */
    private static String structureTrouble(ZipFile zip) {
        int count = 0;
        Enumeration<ZipArchiveEntry> entries = zip.getEntries();
        while (entries.hasMoreElements()) {
            ZipArchiveEntry entry = entries.nextElement();
            if (climbs(entry.getName())) {
                return "Its entry “" + NameRule.shown(entry.getName()) + "” points outside of the zip.";
            }
            if (!entry.isDirectory() && ++count > Limits.FILES_PER_DROP) {
                return "It holds more than " + Limits.FILES_PER_DROP + " files.";
            }
        }
        return null;
    }

    private static boolean climbs(String entryName) {
        String path = entryName.replace('\\', '/');
        return path.startsWith("/")
                || path.matches("^[A-Za-z]:.*")
                || path.equals("..")
                || path.startsWith("../")
                || path.endsWith("/..")
                || path.contains("/../");
    }

    /** Files that systems leave in zips without anyone asking. */
    private static boolean isSystemLeftover(String entryName) {
        String path = entryName.replace('\\', '/');
        String name = path.substring(path.lastIndexOf('/') + 1);
        return path.startsWith("__MACOSX/")
                || name.startsWith(".")
                || name.equalsIgnoreCase("Thumbs.db")
                || name.equalsIgnoreCase("desktop.ini");
    }

    private void unpack(ZipFile zip, ZipArchiveEntry entry, String zipName) throws IOException {
        String path = entry.getName().replace('\\', '/');
        String name = path.substring(path.lastIndexOf('/') + 1);
        if (entry.getGeneralPurposeBit().usesEncryption()) {
            refuse(name, "It is locked with a pass phrase inside “" + NameRule.shown(zipName) + "”.");
            return;
        }
        String checked = accept(name, Math.max(0, entry.getSize()));
        if (checked == null) {
            return;
        }
        Path target = Files.createTempFile(workFolder, "unpacked-", "");
        String trouble;
        CRC32 crc = new CRC32();
        try (InputStream in = new CheckedInputStream(zip.getInputStream(entry), crc);
                OutputStream out = Files.newOutputStream(target)) {
            trouble = copy(in, out, Math.max(1, entry.getCompressedSize()));
            if (trouble == null && crc.getValue() != entry.getCrc()) {
                trouble = "It is damaged inside “" + NameRule.shown(zipName)
                        + "”: what comes out is not what was packed.";
            }
        } catch (IOException e) {
            trouble = "It is damaged inside “" + NameRule.shown(zipName) + "” and cannot be unpacked.";
        }
        if (trouble == null && isZip(target)) {
            trouble = "It is a zip inside a zip; unpack it first.";
        }
        if (trouble != null) {
            Files.delete(target);
            refuse(name, trouble);
            return;
        }
        files.add(new DroppedFile(folderOf(path), checked, target));
    }

    /** Copies an entry, never believing the size it claims; says why it stopped, or null when all came. */
    private String copy(InputStream in, OutputStream out, long entryBytes) throws IOException {
        byte[] buffer = new byte[1 << 16];
        long bytes = 0;
        for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
            bytes += read;
            unpackedBytes += read;
            if (isTrap(bytes, entryBytes) || isTrap(unpackedBytes / ENTRIES_TOGETHER, packedBytes / ENTRIES_TOGETHER)) {
                return "It unpacks to more than " + Limits.UNPACKED_RATIO
                        + " times its size, which only silence or a trap does; drop it unpacked.";
            }
            if (bytes >= Limits.FILE_BYTES) {
                return "It unpacks to 2 GB or more; a file must be smaller.";
            }
            if (unpackedBytes > Limits.UNPACKED_BYTES) {
                return "The drop unpacks to more than " + Limits.UNPACKED_BYTES / 1_000_000_000 + " GB.";
            }
            out.write(buffer, 0, read);
        }
        return null;
    }

    private static boolean isTrap(long unpacked, long packed) {
        return unpacked > Limits.UNPACKED_HARMLESS_BYTES && unpacked / Math.max(1, packed) > Limits.UNPACKED_RATIO;
    }

    static String stem(String fileName) {
        int dot = fileName.lastIndexOf('.');
        return dot > 0 ? fileName.substring(0, dot) : fileName;
    }
}
