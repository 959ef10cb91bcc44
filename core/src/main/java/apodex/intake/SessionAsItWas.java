package apodex.intake;

import apodex.handoff.RowWidth;
import apodex.intake.Seat.Use;
import apodex.parcel.Manifest;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Insert;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Take;
import apodex.time.FrameRange;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The session that one of our parcels was printed from, as its document has it, with what was printed in the place of its recordings:
 * what was taken at Raw lies on its row again, the rest beside it, each at its station. A row of which nothing came has no sound.
 */
final class SessionAsItWas {
    private final Session document;
    private final Manifest manifest;
    /** What lists lay out, by what they call it. */
    private final Map<String, Row> laid;

    private final Intake intake;
    private final SessionFromIntake making;
    private final RecordingStore store;
    private final Path work;
    private final RowWidth width;
    private final Map<String, Recording> recordings = new LinkedHashMap<>();

    /**
     * @param laid   rows that lists lay out, by what they call them
     * @param making lays the files
     * @param work   an empty folder for files on their way
     */
    SessionAsItWas(
            Session document,
            Manifest manifest,
            Map<String, Row> laid,
            Intake intake,
            SessionFromIntake making,
            RecordingStore store,
            Path work) {
        this.store = store;
        this.work = work;
        this.width = new RowWidth(document);
        this.document = document;
        this.manifest = manifest;
        this.laid = laid;
        this.intake = intake;
        this.making = making;
    }

    /**
     * The session that the files were printed from, where it is of use: some of its rows came by themselves, or as edits.
     *
     * @param edits rows that went out as edits
     */
    @Nullable
    static CameAlong along(Session document, List<Manifest.EditedRow> edits, List<IntakeFile> files, Sorted sorted) {
        Set<String> came = files.stream()
                .filter(file -> Station.called(file.station()).isPresent())
                .map(file -> whole(file.seat().row()))
                .collect(Collectors.toSet());
        Map<String, Long> sources = document.rows().stream()
                .filter(row -> row.kind().isSource() && came.contains(whole(NoteRows.safe(row.name()))))
                .collect(Collectors.groupingBy(
                        row -> NoteRows.safe(row.name()), LinkedHashMap::new, Collectors.counting()));
        sources.forEach((name, rows) -> {
            if (rows > 1) {
                sorted.remark(
                        name,
                        rows
                                + " rows of the session it was printed from are called so. Nothing tells which file is whose: as that"
                                + " session they have no sound.");
            }
        });
        boolean edited = !sorted.lists.isEmpty()
                && edits.stream().anyMatch(row -> document.row(row.rowId()).isPresent());
        return sources.isEmpty() && !edited
                ? null
                : new CameAlong(document.rows().size() - 1, false);
    }

    /** A side that went out by itself is called after it. */
    private static String whole(String name) {
        return name.replaceFirst(" (left|right)$", "");
    }

    /** A file, and what the parcel says of it. */
    private record Came(IntakeFile file, Manifest.Entry entry) {
        Station station() {
            return Station.called(entry.station()).orElseThrow();
        }
    }

    Session make() throws IOException {
        document.recordings().forEach(recording -> recordings.put(recording.sha256(), recording));
        Map<String, List<Came>> byRow = new LinkedHashMap<>();
        for (IntakeFile file : intake.sounds()) {
            Manifest.Entry entry = entry(file);
            if (entry != null
                    && !entry.reference()
                    && Station.called(entry.station()).isPresent()) {
                byRow.computeIfAbsent(rowOf(entry), row -> new ArrayList<>()).add(new Came(file, entry));
            }
        }
        List<Row> rows = new ArrayList<>();
        for (Row row : document.rows()) {
            List<Came> files = byRow.getOrDefault(row.id(), List.of());
            rows.add(edited(row, files.isEmpty() ? withoutSound(row) : row(row, files)));
        }
        for (IntakeFile file : intake.sounds()) {
            if (file.seat().use() == Use.REFERENCE) {
                rows.add(rows.size() - 1, making.reference(file, document.rate(), "reference-" + file.id()));
                recordings.putIfAbsent(file.recording().sha256(), file.recording());
            }
        }
        Session whole =
                document.withRecordings(List.copyOf(recordings.values())).withRows(rows);
        return whole.withRecordings(Onto.used(whole));
    }

    /** A row that went out as edits is laid as the list of them has it. @param made what its other files make of it */
    private Row edited(Row row, Row made) {
        Row edits = manifest.editedRows().stream()
                .filter(each -> each.rowId().equals(row.id()))
                .map(each -> laid.get(each.name()))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
        if (!(made instanceof AudioRow audio) || !(edits instanceof AudioRow list)) {
            return made;
        }
        intake.sounds().stream()
                .map(IntakeFile::recording)
                .filter(recording -> list.allClips().stream()
                        .anyMatch(clip -> clip.recording().equals(recording.sha256())))
                .forEach(recording -> recordings.putIfAbsent(recording.sha256(), recording));
        List<Clip> before = ((AudioRow) row).allClips();
        AudioRow edited = audio.withTakes(list.takes(), list.active());
        return edited.withTakes(
                edited.takes().stream()
                        .map(take -> new Take(
                                take.id(),
                                take.name(),
                                take.clips().stream()
                                        .map(clip -> withInserts(clip, before))
                                        .toList()))
                        .toList(),
                edited.active());
    }

    /** No list tells effects of single clips; the document does. */
    private static Clip withInserts(Clip clip, List<Clip> before) {
        return before.stream()
                .filter(other -> other.range().equals(clip.range()) && other.gainDb() == clip.gainDb())
                .findFirst()
                .map(other -> clip.withInserts(other.inserts()))
                .orElse(clip);
    }

    @Nullable
    private Manifest.Entry entry(IntakeFile file) {
        return manifest.files().stream()
                .filter(entry -> entry.sha256().equals(file.recording().sha256())
                        && entry.station().equals(file.station())
                        && entry.path().endsWith(file.name()))
                .findFirst()
                .orElse(null);
    }

    /** Id of the row that a file was taken from; empty where that cannot be told. */
    private String rowOf(Manifest.Entry entry) {
        String name = NoteRows.safe(entry.row());
        List<Row> called = called(name);
        List<Row> meant = called.isEmpty() && isSide(entry) ? called(whole(name)) : called;
        return meant.size() == 1 ? meant.get(0).id() : "";
    }

    private List<Row> called(String name) {
        return document.rows().stream()
                .filter(row -> NoteRows.safe(row.name()).equals(name))
                .toList();
    }

    private static boolean isSide(Manifest.Entry entry) {
        return entry.placed().equals("left") || entry.placed().equals("right");
    }

    /** Without what is not here: it was silent or stayed at home, and either way there is nothing to be heard of it. */
    private Row withoutSound(Row row) {
        Row kept = row.withStrip(row.strip()
                .withBrought(row.strip().brought().stream()
                        .filter(each -> areHere(each.clips()))
                        .toList()));
        return kept instanceof AudioRow audio && !areHere(audio.clips())
                ? audio.withTakes(List.of(new Take("t1", "Take 1", List.of())), "t1")
                : kept;
    }

    private boolean areHere(List<Clip> clips) {
        return clips.stream().allMatch(clip -> store.has(clip.recording()));
    }

    private Row row(Row row, List<Came> files) throws IOException {
        Map<Station, List<Came>> byStation = new EnumMap<>(Station.class);
        files.forEach(file -> byStation
                .computeIfAbsent(file.station(), station -> new ArrayList<>())
                .add(file));
        Row made = withoutSound(row);
        List<Brought> brought = new ArrayList<>(made.strip().brought().stream()
                .filter(each -> !byStation.containsKey(each.station()))
                .toList());
        for (Map.Entry<Station, List<Came>> printed : byStation.entrySet()) {
            Station station = printed.getKey();
            List<Clip> clips = clips(row, station, printed.getValue());
            if (station == Station.RAW && row instanceof AudioRow audio) {
                made = audio.withTakes(List.of(new Take("t1", "Take 1", asCut(audio, clips))), "t1");
            } else if (station != Station.MIX && isOwn(row, station)) {
                brought.add(new Brought(station, clips));
            }
        }
        return made.withStrip(made.strip().withBrought(brought));
    }

    /** Raw holds clips without their effects: where it is one file, a clip that lies over no other goes through its own again. */
    private static List<Clip> asCut(AudioRow row, List<Clip> raw) {
        List<Clip> through = row.clips().stream()
                .filter(clip -> !clip.inserts().isEmpty())
                .filter(clip -> row.clips().stream()
                        .noneMatch(other -> other != clip && other.range().overlaps(clip.range())))
                .sorted(Comparator.comparingLong(Clip::position))
                .toList();
        if (raw.size() != 1) {
            return raw;
        }
        Clip whole = raw.get(0);
        List<Clip> pieces = new ArrayList<>();
        long at = whole.position();
        for (Clip clip : through) {
            FrameRange piece = clip.range().intersection(whole.range());
            if (!piece.isEmpty()) {
                piece(whole, new FrameRange(at, piece.start()), List.of(), pieces);
                piece(whole, piece, clip.inserts(), pieces);
                at = piece.end();
            }
        }
        piece(whole, new FrameRange(at, whole.range().end()), List.of(), pieces);
        return pieces;
    }

    private static void piece(Clip whole, FrameRange range, List<Insert> inserts, List<Clip> pieces) {
        if (!range.isEmpty()) {
            pieces.add(new Clip(
                    whole.recording(),
                    whole.firstChannel(),
                    whole.channels(),
                    range.start(),
                    whole.offset() + range.start() - whole.position(),
                    range.frames(),
                    whole.gainDb(),
                    Fade.NONE,
                    Fade.NONE,
                    inserts,
                    false,
                    whole.inverted()));
        }
    }

    /** Sums are made of what feeds them; only what is played or recorded can stand for itself. */
    private static boolean isOwn(Row row, Station station) {
        return row.kind().isSource() && (station != Station.RAW || row.kind().isPlayed());
    }

    /** Sections that lie over each other hold the same sound; the first is enough. */
    private List<Clip> clips(Row row, Station station, List<Came> files) throws IOException {
        Map<String, List<Came>> bySection = new LinkedHashMap<>();
        files.forEach(file -> bySection
                .computeIfAbsent(file.entry.section(), section -> new ArrayList<>())
                .add(file));
        List<Clip> clips = new ArrayList<>();
        for (List<Came> together : bySection.values()) {
            Clip clip = clip(row, station, together);
            if (clips.stream().noneMatch(before -> before.range().overlaps(clip.range()))) {
                clips.add(clip);
            }
        }
        return clips;
    }

    private Clip clip(Row row, Station station, List<Came> files) throws IOException {
        Came first = files.get(0);
        Recording recording = recording(row, station, files);
        recordings.putIfAbsent(recording.sha256(), recording);
        Clip clip = making.clip(recording, first.file, document.rate());
        return first.entry.trimDb() == 0 ? clip : untrimmed(clip, first.entry.trimDb());
    }

    /** As wide as it was on its way: a mono file may hold one side, or what is the same on both. */
    private Recording recording(Row row, Station station, List<Came> files) throws IOException {
        Recording one = files.get(0).file.recording();
        if (one.channels() > 1) {
            return one;
        }
        Recording left = side(files, "left");
        Recording right = side(files, "right");
        if (left == null && right == null) {
            boolean isWider = station.compareTo(Station.INSERTS) <= 0 && width.at(row, station) == 2;
            return isWider ? StereoPair.recording(store, one, 0, one, 0, row.name(), work) : one;
        }
        return StereoPair.recording(store, left, 0, right, 0, row.name(), work);
    }

    @Nullable
    private static Recording side(List<Came> files, String side) {
        return files.stream()
                .filter(file -> file.entry.placed().equals(side))
                .map(file -> file.file.recording())
                .findFirst()
                .orElse(null);
    }

    /** As loud as it was before it was printed. */
    private static Clip untrimmed(Clip clip, double trimDb) {
        return new Clip(
                clip.recording(),
                clip.firstChannel(),
                clip.channels(),
                clip.position(),
                clip.offset(),
                clip.frames(),
                -trimDb,
                0,
                0);
    }
}
