package apodex.intake;

import apodex.notes.MidiSong;
import apodex.session.AddRow;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.InstrumentRow;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Brings files into a session that is there already: recordings as rows or as a new take, a newer version of a recording in
 * the place of the older, a recording that was missing; rows from timelines, clip lists and notes.
 */
public final class AddToSession {
    private final RecordingStore store;
    private final Session session;
    private final List<SessionEdit> edits = new ArrayList<>();
    private final List<String> words = new ArrayList<>();
    private final List<Row> added = new ArrayList<>();
    /** That came with the drop; they join those that are there. */
    private final List<Marker> markers = new ArrayList<>();

    /**
     * What came of it.
     *
     * @param edit  what brings it in, as one step; null when nothing has to change
     * @param words what happened, a sentence for each thing worth saying
     */
    public record Result(
            @Nullable SessionEdit edit, List<String> words, List<Refusal> refused, List<Refusal> remarks) {}

    public AddToSession(RecordingStore store, Session session) {
        this.store = store;
        this.session = session;
    }

    /**
     * Takes a drop in.
     *
     * @param at  frame for recordings that say nothing of their place
     * @param row id of the audio row whose new take the recordings become; null: rows of their own
     */
    public Result make(Drop drop, long at, @Nullable String row) throws IOException {
        Sorted sorted = Sorted.of(drop, store);
        List<Recording> known = new ArrayList<>(
                sorted.sounds.stream().map(Sorted.Sound::recording).toList());
        known.addAll(session.recordings()); // a list can lay out what is here already
        Media media = new Media(known);
        List<Sorted.Sound> fresh = new ArrayList<>();
        for (Sorted.Sound sound : sorted.sounds) {
            if (!replaces(sound.recording())) {
                fresh.add(sound);
            }
        }
        added.addAll(session.rows().stream()
                .filter(each -> each.kind() != RowKind.MIX)
                .toList());
        int before = added.size();
        lists(sorted, media);
        List<Sorted.Sound> loose =
                fresh.stream().filter(sound -> !media.isUsed(sound.recording())).toList();
        List<Recording> all =
                new ArrayList<>(fresh.stream().map(Sorted.Sound::recording).toList());
        all.addAll(media.missing());
        if (!all.isEmpty()) {
            edits.add(0, new UseRecordings(all));
        }
        if (row != null) {
            take(row, loose, at);
        } else {
            loose.forEach(sound ->
                    SessionFromDrop.addRows(sound, place(sound.recording(), at), session.rate(), added, RowIds::fresh));
        }
        notes(sorted);
        loose.forEach(sound -> marksOf(sound, at));
        sorted.timelines.forEach(timeline ->
                timeline.markers().forEach(mark -> mark(mark.place().frame(session.rate(), null), mark.name())));
        if (!markers.isEmpty()) {
            List<Marker> joined = new ArrayList<>(session.markers());
            markers.stream().filter(marker -> !joined.contains(marker)).forEach(joined::add);
            edits.add(new SetMarkers(joined));
        }
        sorted.documents.forEach(
                document -> sorted.refuse(SessionFile.DOCUMENT, "It is a session of its own; drop it on the shelf."));
        added.subList(before, added.size()).forEach(each -> edits.add(new AddRow(each, null)));
        if (!media.missing().isEmpty()) {
            words.add("Not here yet: "
                    + String.join(
                            ", ",
                            media.missing().stream()
                                    .map(Recording::fileName)
                                    .limit(5)
                                    .toList()) + ".");
        }
        SessionEdit edit = edits.isEmpty() ? null : new Together("Add files", edits);
        return new Result(edit, words, sorted.refused, sorted.remarks);
    }

    /** Whether a recording takes the place of one the session has: by content, by name of a missing one, as a newer version. */
    private boolean replaces(Recording recording) {
        Optional<Recording> same = session.recordings().stream()
                .filter(each -> each.sha256().equals(recording.sha256()))
                .findFirst();
        if (same.isPresent()) {
            words.add("“" + recording.fileName() + "” is in this session already; its content is the same.");
            return session.uses(recording.sha256());
        }
        Optional<Recording> named = session.recordings().stream()
                .filter(each -> each.fileName().equalsIgnoreCase(recording.fileName()) && session.uses(each.sha256()))
                .findFirst();
        named.ifPresent(old -> {
            boolean missing = !store.has(old.sha256());
            edits.add(new ReplaceRecording(old.sha256(), recording));
            words.add("“" + recording.fileName() + "” "
                    + (missing ? "was missing and is here now." : "took the place of its older version."));
        });
        return named.isPresent();
    }

    private void lists(Sorted sorted, Media media) {
        List<String> troubles = new ArrayList<>();
        LaidRows laid = new LaidRows(media, session.rate(), session.song().timeline(), troubles);
        sorted.timelines.stream()
                .flatMap(timeline -> timeline.rows().stream())
                .forEach(each -> added.add(laid.row(each, RowIds.fresh())));
        if (sorted.inTimecode) {
            laid.startingAt(
                    SessionLayout.startOf(sorted.lists, session.startReference(), session.rate(), session.song()));
        }
        sorted.lists.forEach(each -> added.add(laid.row(each, RowIds.fresh())));
        troubles.forEach(trouble -> sorted.remark("Clips", trouble));
    }

    private void notes(Sorted sorted) {
        for (MidiSong midi : sorted.songs) {
            Song song = NoteRows.withTempo(session.song(), midi);
            if (NoteRows.takesTempo(session) && song.tempo() != null) {
                edits.add(new SetSong(
                        song.title(),
                        song.artist(),
                        song.tempo(),
                        song.meter() == null ? null : song.meter().written(),
                        song.key() == null ? null : song.key().written()));
                edits.add(new SetTempoMap(song.tempoChanges(), song.meterChanges()));
                words.add("The tempo of the notes is the song's now.");
            } else if (!midi.tempos().isEmpty()) {
                words.add("The notes bring a tempo; the song keeps its own.");
            }
            for (MidiSong.Player player : midi.players()) {
                InstrumentRow row = NoteRows.row(player, RowIds.fresh());
                added.add(row);
            }
            markers.addAll(NoteRows.markers(midi, song.timeline(), session.rate()));
        }
    }

    /** Named places of a recording stand where it lies. */
    private void marksOf(Sorted.Sound sound, long at) {
        long start = place(sound.recording(), at);
        double scale =
                (double) session.rate().hertz() / sound.recording().rate().hertz();
        sound.facts().markers().forEach(mark -> mark(start + Math.round(mark.frame() * scale), mark.name()));
    }

    private void mark(long frame, String name) {
        markers.add(new Marker(frame, NoteRows.safe(name)));
    }

    private long place(Recording recording, long at) {
        Long reference = SessionFromDrop.reference(recording, session.rate());
        return reference == null ? at : Math.max(0, reference - session.startReference());
    }

    private void take(String rowId, List<Sorted.Sound> sounds, long at) {
        Row row = SessionEdit.row(session, rowId);
        if (!(row instanceof AudioRow audio) || sounds.isEmpty()) {
            sounds.forEach(sound ->
                    SessionFromDrop.addRows(sound, place(sound.recording(), at), session.rate(), added, RowIds::fresh));
            return;
        }
        List<Clip> clips = new ArrayList<>();
        for (Sorted.Sound sound : sounds) {
            Recording recording = sound.recording();
            clips.add(new Clip(
                    recording.sha256(),
                    0,
                    Math.min(2, recording.channels()),
                    place(recording, at),
                    0,
                    recording.framesAt(session.rate()),
                    0,
                    0,
                    0));
        }
        int number = audio.takes().size() + 1;
        while (hasTake(audio, "t" + number)) {
            number++;
        }
        List<Take> takes = new ArrayList<>(audio.takes());
        takes.add(new Take("t" + number, "Take " + number, clips));
        edits.add(new SetTakes(rowId, takes, "t" + number));
        words.add("“" + audio.name() + "” has a new take, and it is heard.");
    }

    private static boolean hasTake(AudioRow row, String id) {
        return row.takes().stream().anyMatch(take -> take.id().equals(id));
    }
}
