package apodex.intake;

import apodex.intake.Seat.Use;
import apodex.session.AddRow;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.Recording;
import apodex.session.ReplaceRecording;
import apodex.session.Row;
import apodex.session.RowIds;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.SetMarkers;
import apodex.session.SetSong;
import apodex.session.SetTakes;
import apodex.session.SetTempoMap;
import apodex.session.Song;
import apodex.session.Take;
import apodex.session.Together;
import apodex.session.UseRecordings;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Brings what came into a session that is there already: as an intake has it laid out, or as a new take of a row. What is called as a
 * recording of the session takes its place.
 */
public final class AddToSession {
    private final RecordingStore store;
    private final Session session;
    /** Recordings that something of the session sounds from. */
    private final List<Recording> used;

    private final List<SessionEdit> edits = new ArrayList<>();
    private final List<String> words = new ArrayList<>();
    /** The row that recordings become a take of; null: rows of their own. */
    @Nullable
    private AudioRow takeOf;

    /**
     * What came of it.
     *
     * @param edit  what brings it in, as one step; null when nothing has to change
     * @param words what happened, a sentence for each thing worth saying
     */
    public record Result(@Nullable SessionEdit edit, List<String> words) {}

    public AddToSession(RecordingStore store, Session session) {
        this.store = store;
        this.session = session;
        this.used = Onto.used(session);
    }

    /** Recordings become a new take of a row. */
    public AddToSession asTakeOf(AudioRow row) {
        takeOf = row;
        return this;
    }

    /**
     * Adds an intake as it stands. The session may be another than it was examined for: somebody went on working on it.
     *
     * @param kept what {@link DropExaminer#examine} kept
     * @param work an empty folder for files on their way
     */
    public Result add(Intake intake, Path kept, Path work) throws IOException {
        Intake placed =
                intake.withFiles(intake.files().stream().map(this::takesAPlace).toList());
        placed.sounds().stream()
                .filter(file -> file.seat().use() == Use.IN_PLACE)
                .forEach(this::replace);
        Session came = new SessionFromIntake(store, takenOf(placed), work)
                .onto(session)
                .make(kept, LocalDate.EPOCH);
        bring(came);
        tempo(came.song());
        rows(came);
        markers(came.markers());
        notHere(came);
        return result();
    }

    /** What was to take the place of something that is gone meanwhile is a row. */
    private IntakeFile takesAPlace(IntakeFile file) {
        return file.seat().use() == Use.IN_PLACE && named(file.name()).isEmpty()
                ? file.withSeat(file.seat().withUse(Use.ROW))
                : file;
    }

    /** What is left to be laid out when the rest is a new take. */
    private Intake takenOf(Intake intake) {
        List<IntakeFile> taken = takeOf == null
                ? List.of()
                : intake.rows().values().stream().flatMap(List::stream).toList();
        if (taken.isEmpty()) {
            return intake;
        }
        edits.add(new UseRecordings(taken.stream().map(IntakeFile::recording).toList()));
        edits.add(newTake(takeOf, taken));
        return new Correction.UseAs(Asking.ids(taken), Use.LEFT_OUT).applyTo(intake);
    }

    private Optional<Recording> named(String file) {
        return used.stream()
                .filter(each -> each.fileName().equalsIgnoreCase(file))
                .findFirst();
    }

    private void replace(IntakeFile file) {
        Recording recording = file.recording();
        Recording old = named(file.name()).orElseThrow();
        edits.add(new UseRecordings(List.of(recording)));
        edits.add(new ReplaceRecording(old.sha256(), recording));
        words.add("“" + recording.fileName() + "” "
                + (store.has(old.sha256()) ? "took the place of its older version." : "was missing and is here now."));
    }

    private void bring(Session came) {
        Set<String> known = session.recordings().stream().map(Recording::sha256).collect(Collectors.toSet());
        List<Recording> fresh = came.recordings().stream()
                .filter(each -> !known.contains(each.sha256()))
                .toList();
        if (!fresh.isEmpty()) {
            edits.add(new UseRecordings(fresh));
        }
    }

    private void rows(Session came) {
        for (Row row : came.rows()) {
            if (row.kind() == RowKind.BUS) {
                edits.add(new AddRow(row, null)); // made under an id of its own, so that others can go through it
            } else if (row.kind() != RowKind.MIX) {
                edits.add(new AddRow(RowIds.under(RowIds.fresh(), row), null));
            }
        }
    }

    private void tempo(Song song) {
        if (song.tempo() == null) {
            return;
        }
        if (NoteRows.takesTempo(session)) {
            edits.add(new SetSong(
                    song.title(),
                    song.artist(),
                    song.tempo(),
                    song.meter() == null ? null : song.meter().written(),
                    song.key() == null ? null : song.key().written()));
            edits.add(new SetTempoMap(song.tempoChanges(), song.meterChanges()));
            words.add("The tempo that came is the song's now.");
        }
    }

    private void markers(List<Marker> came) {
        List<Marker> joined = new ArrayList<>(session.markers());
        came.stream().filter(marker -> !joined.contains(marker)).forEach(joined::add);
        if (joined.size() > session.markers().size()) {
            edits.add(new SetMarkers(joined));
        }
    }

    private void notHere(Session came) {
        List<String> names = came.recordings().stream()
                .filter(each -> !store.has(each.sha256()))
                .map(Recording::fileName)
                .limit(5)
                .toList();
        if (!names.isEmpty()) {
            words.add("Not here yet: " + String.join(", ", names) + ".");
        }
    }

    private Result result() {
        return new Result(edits.isEmpty() ? null : new Together("Add files", edits), words);
    }

    /** The clips of a new take, each where its intake has it. */
    private SetTakes newTake(AudioRow row, List<IntakeFile> files) {
        List<Clip> clips = files.stream()
                .map(file -> SessionFromIntake.clip(
                        file.recording(),
                        file.seat().place(),
                        session.rate(),
                        file.seat().place().frame()))
                .toList();
        int number = row.takes().size() + 1;
        while (hasTake(row, "t" + number)) {
            number++;
        }
        List<Take> takes = new ArrayList<>(row.takes());
        takes.add(new Take("t" + number, "Take " + number, clips));
        words.add("“" + row.name() + "” has a new take, and it is heard.");
        return new SetTakes(row.id(), takes, "t" + number);
    }

    private static boolean hasTake(AudioRow row, String id) {
        return row.takes().stream().anyMatch(take -> take.id().equals(id));
    }
}
