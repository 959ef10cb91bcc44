package apodex.parcel;

import apodex.handoff.Excerpt;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.RowWidth;
import apodex.proof.EditProof;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.session.About;
import apodex.session.MixRow;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.Song;
import apodex.session.SongPlace;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectWriter;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What a parcel holds, for programs: {@code manifest.json}, described by {@code docs/manifest.schema.json}, and the same list of
 * files as {@code files.csv}.
 *
 * @param manifest    version of this form
 * @param panLawDb    level of a mono row in the middle on each side
 * @param sessionRate by which frames of the session are counted
 * @param rows        how every row was set in the session, in the receiver's order
 * @param edits       files that were cut out of recordings
 * @param editedRows  rows that are laid of them, as the list of edits calls them
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record Manifest(
        int manifest,
        String song,
        String artist,
        String receiver,
        String brief,
        String version,
        @Nullable Double tempo,
        @Nullable String meter,
        @Nullable String key,
        List<TempoChange> tempoChanges,
        List<MeterChange> meterChanges,
        List<MarkerPlace> markers,
        List<SectionPlace> sections,
        List<Entry> files,
        Double panLawDb,
        Integer sessionRate,
        List<RowSetup> rows,
        List<EditEntry> edits,
        List<EditedRow> editedRows) {
    public static final String JSON_NAME = "manifest.json";
    public static final String CSV_NAME = "files.csv";
    private static final int FORM = 4;
    private static final ObjectWriter JSON = SessionDocument.JSON.writerWithDefaultPrettyPrinter();

    public Manifest { // the first two forms did not say how rows were set, the third knew no edits
        edits = edits == null ? List.of() : List.copyOf(edits);
        editedRows = editedRows == null ? List.of() : List.copyOf(editedRows);
        panLawDb = panLawDb == null ? -3 : panLawDb;
        sessionRate = sessionRate == null ? 0 : sessionRate;
        rows = rows == null ? List.of() : List.copyOf(rows);
    }

    /** A marker. @param seconds from the session's start */
    public record MarkerPlace(String name, double seconds, String place) {}

    /**
     * A stretch of the song whose files start together.
     *
     * @param frames        length of every file
     * @param startsSeconds from the session's start to the first frame after the lead-in
     * @param leadInSeconds before that
     * @param timeReference first frame of every file, counted from midnight
     */
    public record SectionPlace(
            String name, String folder, long frames, double startsSeconds, double leadInSeconds, long timeReference) {}

    /**
     * A file.
     *
     * @param path      in the parcel
     * @param row       name of the row it was taken from
     * @param station   where on its way; {@code click} for a file made from the tempo map
     * @param placed    where a mono file sits
     * @param role      of the row, in a word
     * @param bus       name of the bus it feeds; empty for none, or more than one
     * @param note      of the row
     * @param reference whether it is the mix that the others are held against
     * @param rowId     id of the row among {@code rows}
     * @param sessionChannels what the row has there in the session: a mono file of a row of two sides holds what is the same on both, or
     *                  one side
     */
    public record Entry(
            String path,
            String section,
            String row,
            String station,
            int rate,
            String depth,
            int channels,
            long frames,
            String placed,
            double trimDb,
            @Nullable Double peakDbfs,
            @Nullable Double truePeakDbtp,
            @Nullable Double loudnessLufs,
            long bytes,
            String sha256,
            String role,
            String bus,
            String note,
            Boolean reference,
            String rowId,
            Integer sessionChannels) {
        public Entry { // the first form did not say these
            role = role == null ? "" : role;
            bus = bus == null ? "" : bus;
            note = note == null ? "" : note;
            reference = reference != null && reference;
            rowId = rowId == null ? "" : rowId; // nor the second these
            sessionChannels = sessionChannels == null ? channels : sessionChannels;
        }
    }

    /**
     * A stretch of a recording.
     *
     * @param path      in the parcel
     * @param recording what the recording is called
     * @param start     first frame of the recording that is in it, at its own rate
     */
    public record EditEntry(
            String path,
            String recording,
            long start,
            int rate,
            String depth,
            int channels,
            long frames,
            long bytes,
            String sha256) {}

    /** A row that goes out as edits. @param rowId id among {@code rows} */
    public record EditedRow(String rowId, String name) {}

    static Manifest of(Session session, Handoff handoff, Plan plan, Proof proof) {
        Song song = session.song();
        List<SectionPlace> sections = plan.sections().stream()
                .map(section -> stretch(session, section))
                .toList();
        RowWidth width = new RowWidth(session);
        List<Entry> files = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            FileProof file = proof.files().get(i);
            files.add(new Entry(
                    print.path(),
                    plan.section(print).name(),
                    print.rowName(),
                    print.isClick() ? "click" : print.station().label(),
                    file.rate().hertz(),
                    file.sample().label(),
                    file.channels(),
                    file.frames(),
                    file.placed() == null ? "middle" : file.placed().name().toLowerCase(Locale.ROOT),
                    print.trimDb(),
                    file.peakDbfs(),
                    file.truePeakDbtp(),
                    file.loudnessLufs(),
                    file.bytes(),
                    file.sha256(),
                    about(session, print).role().words(),
                    bus(session, print),
                    about(session, print).note(),
                    print.isReference(),
                    print.row(),
                    session.row(print.source())
                            .map(row -> width.at(row, print.station()))
                            .orElse(file.channels())));
        }
        return new Manifest(
                FORM,
                song.title(),
                song.artist(),
                handoff.name(),
                handoff.brief().name(),
                handoff.settled().naming().version(),
                song.tempo(),
                song.meter() == null ? null : song.meter().written(),
                song.key() == null ? null : song.key().written(),
                song.tempoChanges(),
                song.meterChanges(),
                session.markers().stream()
                        .map(marker -> new MarkerPlace(
                                marker.name(),
                                session.rate().seconds(marker.frame()),
                                SongPlace.of(session, marker.frame())))
                        .toList(),
                sections,
                files,
                session.panLaw().centreDb(),
                session.rate().hertz(),
                plan.rows().stream().map(row -> RowSetup.of(session, row)).toList(),
                edits(session, plan, proof),
                EditedSession.names(session, plan).entrySet().stream()
                        .map(row -> new EditedRow(row.getKey(), row.getValue()))
                        .toList());
    }

    private static List<EditEntry> edits(Session session, Plan plan, Proof proof) {
        List<EditEntry> edits = new ArrayList<>();
        for (int i = 0; i < proof.edits().size(); i++) {
            Excerpt excerpt = plan.edits().excerpts().get(i);
            EditProof file = proof.edits().get(i);
            edits.add(new EditEntry(
                    excerpt.path(),
                    session.recording(excerpt.recording()).fileName(),
                    excerpt.start(),
                    excerpt.rate().hertz(),
                    excerpt.sample().label(),
                    excerpt.channels(),
                    excerpt.frames(),
                    file.bytes(),
                    file.sha256()));
        }
        return edits;
    }

    private static About about(Session session, Print print) {
        return session.row(print.row())
                .map(Row::about)
                .orElse(print.isClick() ? About.NOTHING.withRole(Role.CLICK) : About.NOTHING);
    }

    private static String bus(Session session, Print print) {
        List<String> outputs =
                session.row(print.row()).map(row -> row.strip().outputs()).orElse(List.of());
        return outputs.size() == 1 && !outputs.get(0).equals(MixRow.ID)
                ? session.row(outputs.get(0)).map(Row::name).orElse("")
                : "";
    }

    /**
     * Reads one.
     *
     * @throws IOException with a sentence when it is none, or one of a later form
     */
    public static Manifest read(Path file) throws IOException {
        try {
            Manifest manifest = SessionDocument.read(Files.readString(file), Manifest.class);
            if (manifest.manifest() > FORM) {
                throw new IOException("It was written by a newer Apodex (form " + manifest.manifest() + ").");
            }
            if (manifest.sections() == null || manifest.sections().isEmpty() || manifest.files() == null) {
                throw new IOException("It is no whole manifest: it names no files.");
            }
            return manifest;
        } catch (IllegalArgumentException | CharacterCodingException e) {
            throw new IOException("It is no whole manifest: it was cut short or changed by hand.", e);
        }
    }

    private static SectionPlace stretch(Session session, PlannedSection section) {
        return new SectionPlace(
                section.name(),
                section.folder(),
                section.frames(),
                session.rate().seconds(section.passage().range().start()),
                session.rate().seconds(section.passage().leadInFrames()),
                section.startReference());
    }

    String json() {
        try {
            return JSON.writeValueAsString(this) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A manifest has no JSON form.", e);
        }
    }

    /** Comma-separated with a line of names, as RFC 4180 has it. */
    String csv() {
        StringBuilder out = new StringBuilder(
                "path,section,row,station,rate,depth,channels,frames,placed,trimDb,peakDbfs,truePeakDbtp,loudnessLufs,bytes,sha256\r\n");
        for (Entry file : files) {
            out.append(Csv.line(
                    file.path(),
                    Csv.plain(file.section()),
                    Csv.plain(file.row()),
                    file.station(),
                    Integer.toString(file.rate()),
                    file.depth(),
                    Integer.toString(file.channels()),
                    Long.toString(file.frames()),
                    file.placed(),
                    Double.toString(file.trimDb()),
                    number(file.peakDbfs()),
                    number(file.truePeakDbtp()),
                    number(file.loudnessLufs()),
                    Long.toString(file.bytes()),
                    file.sha256()));
        }
        return out.toString();
    }

    private static String number(@Nullable Double value) {
        return value == null ? "" : String.format(Locale.ROOT, "%.2f", value);
    }
}
