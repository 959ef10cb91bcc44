package apodex.intake;

import apodex.parcel.OtioWriter;
import apodex.session.EditRefused;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.SessionRules;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * A session with its recordings in one zip: {@value #DOCUMENT}, {@value #TIMELINE} for other programs, and the recordings as
 * they came. {@code docs/session.schema.json} describes the document.
 */
public final class SessionFile {
    public static final String DOCUMENT = "session.json";
    public static final String TIMELINE = "timeline.otio";
    public static final String FORM = "apodex session";
    public static final int VERSION = 1;
    private static final String RECORDINGS = "recordings/";
    private static final int LONGEST_DOCUMENT = 256 << 20;

    private SessionFile() {}

    /**
     * The document.
     *
     * @param form    {@value SessionFile#FORM}
     * @param version of this form
     * @param files   what each recording is called in the zip, in the order of the session's recordings
     */
    public record Document(@JsonProperty("form") String form, int version, List<String> files, Session session) {}

    /** Whether a file starts like the document of a session. */
    static boolean isDocument(Path file) throws IOException {
        if (Files.size(file) > LONGEST_DOCUMENT) {
            return false;
        }
        String start = new String(Files.newInputStream(file).readNBytes(200), StandardCharsets.UTF_8);
        return start.contains("\"" + FORM + "\"");
    }

    /**
     * Reads a document and holds it to the rules.
     *
     * @throws IOException with a sentence when it cannot be used
     */
    static Document read(Path file) throws IOException {
        Document document;
        try {
            document = SessionDocument.read(Files.readString(file), Document.class);
        } catch (IllegalArgumentException | IOException e) {
            throw new IOException("It is no whole session document: it was cut short or changed by hand.");
        }
        if (document.version() > VERSION) {
            throw new IOException(
                    "It was written by a newer Apodex (version " + document.version() + " of the document).");
        }
        try {
            SessionRules.checked(document.session());
        } catch (EditRefused | NullPointerException | IllegalArgumentException e) {
            throw new IOException("It does not hold together. " + (e.getMessage() == null ? "" : e.getMessage()));
        }
        return document;
    }

    /** A session's document alone, to be opened beside its recordings. */
    public static String document(Session session) {
        return SessionDocument.write(new Document(FORM, VERSION, names(session), session));
    }

    /** Writes a session with every recording that the store has. */
    public static void write(Session session, RecordingStore store, OutputStream to) throws IOException {
        List<String> names = names(session);
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            entry(zip, DOCUMENT, document(session).getBytes(StandardCharsets.UTF_8));
            entry(
                    zip,
                    TIMELINE,
                    OtioWriter.of(
                            session,
                            recording ->
                                    RECORDINGS + names.get(session.recordings().indexOf(recording))));
            for (int i = 0; i < names.size(); i++) {
                Recording recording = session.recordings().get(i);
                if (store.has(recording.sha256())) {
                    stored(zip, RECORDINGS + names.get(i), store.original(recording.sha256()));
                }
            }
        }
    }

    /** Every recording's own name, numbered where two share one. */
    private static List<String> names(Session session) {
        Set<String> taken = new HashSet<>();
        List<String> names = new ArrayList<>();
        for (Recording recording : session.recordings()) {
            String stem = Drop.stem(recording.fileName());
            String ending = recording.fileName().substring(stem.length());
            String name = recording.fileName();
            for (int copy = 2; !taken.add(name.toLowerCase(Locale.ROOT)); copy++) {
                name = stem + " (" + copy + ")" + ending;
            }
            names.add(name);
        }
        return names;
    }

    private static void entry(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }

    /** Sound hardly shrinks; stored, it goes as fast as the disk. */
    private static void stored(ZipOutputStream zip, String name, Path file) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setMethod(ZipEntry.STORED);
        entry.setSize(Files.size(file));
        entry.setCompressedSize(Files.size(file));
        CRC32 crc = new CRC32();
        byte[] buffer = new byte[1 << 18];
        try (var in = Files.newInputStream(file)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                crc.update(buffer, 0, read);
            }
        }
        entry.setCrc(crc.getValue());
        zip.putNextEntry(entry);
        Files.copy(file, zip);
        zip.closeEntry();
    }
}
