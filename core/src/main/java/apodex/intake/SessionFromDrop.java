package apodex.intake;

import apodex.audio.Limits;
import apodex.audio.SoundFacts;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Lays a session out from what was dropped. A session document is the session; timelines and clip lists give rows with
 * their media found among the drop; notes give instrument rows, tempo and markers; every other recording becomes a row (one
 * for every channel pair of wider files), placed by the time reference in the file where there is one, at the start
 * otherwise. The earliest time reference becomes the session's start. Recordings of another rate than the most common stay
 * as they came, and are resampled whenever the session sounds.
 */
public final class SessionFromDrop {
    private final RecordingStore store;
    private final List<Brought> brought = new ArrayList<>();

    /**
     * A file that became one row or more.
     *
     * @param file its name
     * @param row  id of its (first) row
     */
    public record Brought(String file, String row) {}

    /**
     * What came of a drop.
     *
     * @param session empty when no file could be used
     * @param remarks what was left out or changed of files that came in
     * @param missing names of recordings that were named and are not there
     */
    public record Result(
            Optional<Session> session,
            List<Brought> brought,
            List<Refusal> refused,
            List<Refusal> remarks,
            List<String> missing) {}

    public SessionFromDrop(RecordingStore store) {
        this.store = store;
    }

    /**
     * Brings the files in and lays them out in the order they came.
     *
     * @param title of the song, unless a session document names it
     * @param today used where no recording says when it was made
     */
    public Result make(Drop drop, String title, LocalDate today) throws IOException {
        Sorted sorted = Sorted.of(drop, store);
        if (sorted.isEmpty()) {
            return new Result(Optional.empty(), brought, sorted.refused, sorted.remarks, List.of());
        }
        Session session = sorted.documents.isEmpty()
                ? SessionLayout.of(
                        sorted,
                        Media.ofSounds(sorted.sounds),
                        sorted.rate(),
                        Song.titled(title),
                        today,
                        Lists.NONE,
                        0,
                        (media, rate, rows, markers) -> addSounds(sorted, media, rate, rows, markers))
                : ofDocument(sorted);
        List<String> missing = session.recordings().stream()
                .filter(each -> !store.has(each.sha256()))
                .map(Recording::fileName)
                .toList();
        return new Result(Optional.of(session), brought, sorted.refused, sorted.remarks, missing);
    }

    /** The document's session, with rows for recordings it does not know. */
    private Session ofDocument(Sorted sorted) {
        Session session = ofDocument(
                sorted.documents,
                sorted.sounds.stream().map(Sorted.Sound::recording).toList());
        sorted.remarkOtherSessions();
        for (Sorted.Sound sound : sorted.sounds) {
            brought.add(new Brought(sound.recording().fileName(), rowOf(session, sound.recording())));
        }
        return session;
    }

    private static String rowOf(Session session, Recording recording) {
        return session.audioRows().stream()
                .filter(each -> each.takes().stream()
                        .flatMap(take -> take.clips().stream())
                        .anyMatch(clip -> clip.recording().equals(recording.sha256())))
                .map(Row::id)
                .findFirst()
                .orElse("");
    }

    /** The first document's session, with a row for every recording that it does not know. */
    Session ofDocument(List<SessionFile.Document> documents, List<Recording> came) {
        Session session = documents.get(0).session();
        List<Row> rows = new ArrayList<>(session.rows());
        List<Recording> recordings = new ArrayList<>(session.recordings());
        for (Recording recording : came) {
            Optional<Recording> known = recordings.stream()
                    .filter(each -> each.sha256().equals(recording.sha256()))
                    .findFirst();
            if (known.isPresent()) {
                recordings.set(recordings.indexOf(known.get()), asItIs(known.get(), recording));
            } else {
                recordings.add(recording);
                List<Row> more = new ArrayList<>(rows.subList(0, rows.size() - 1));
                addRows(new Sorted.Sound(null, recording, SoundFacts.NONE), 0, session.rate(), more);
                more.add(rows.get(rows.size() - 1));
                rows = more;
            }
        }
        return session.withRecordings(recordings).withRows(rows);
    }

    /** What a document says of a recording, put right by the recording itself. */
    private static Recording asItIs(Recording told, Recording real) {
        return new Recording(
                real.sha256(),
                told.fileName(),
                real.rate(),
                real.channels(),
                real.sample(),
                real.frames(),
                told.timeReference(),
                told.originated(),
                told.title());
    }

    /** Rows for recordings that no list uses. @return the session's start, counted from midnight */
    private long addSounds(Sorted sorted, Media media, SampleRate rate, List<Row> rows, List<Marker> markers) {
        List<Sorted.Sound> loose = sorted.sounds.stream()
                .filter(sound -> !media.isUsed(sound.recording()))
                .toList();
        long start = loose.stream()
                .map(sound -> reference(sound.recording(), rate))
                .filter(Objects::nonNull)
                .min(Comparator.naturalOrder())
                .orElse(0L);
        for (Sorted.Sound sound : sorted.sounds) {
            Recording recording = sound.recording();
            if (media.isUsed(recording)) {
                String row = rows.stream()
                        .filter(each -> ((AudioRow) each)
                                .takes().stream()
                                        .flatMap(take -> take.clips().stream())
                                        .anyMatch(clip -> clip.recording().equals(recording.sha256())))
                        .map(Row::id)
                        .findFirst()
                        .orElse("");
                brought.add(new Brought(recording.fileName(), row));
                continue;
            }
            Long reference = reference(recording, rate);
            long position = reference == null ? 0 : reference - start;
            brought.add(new Brought(recording.fileName(), addRows(sound, position, rate, rows)));
            sound.facts()
                    .markers()
                    .forEach(mark -> markers.add(new Marker(
                            position
                                    + Math.round((double) mark.frame()
                                            * rate.hertz()
                                            / recording.rate().hertz()),
                            NoteRows.safe(mark.name()))));
        }
        return start;
    }

    /** Its time reference in frames of the session, where it has one that can be used. */
    static Long reference(Recording recording, SampleRate rate) {
        Long own = usableReference(recording);
        return own == null
                ? null
                : Math.round((double) own * rate.hertz() / recording.rate().hertz());
    }

    /** A time reference counts from midnight, so one of more than a day is some other program's idea and not used. */
    private static Long usableReference(Recording recording) {
        Long reference = recording.timeReference();
        return reference != null
                        && reference >= 0
                        && reference < Limits.SESSION_SECONDS * recording.rate().hertz()
                ? reference
                : null;
    }

    private static String addRows(Sorted.Sound sound, long position, SampleRate rate, List<Row> rows) {
        return addRows(sound, position, rate, rows, () -> freeId(rows));
    }

    /**
     * One row for every pair of channels, named as the file names them.
     *
     * @param ids for the new rows
     * @return the first row's id
     */
    static String addRows(Sorted.Sound sound, long position, SampleRate rate, List<Row> rows, Supplier<String> ids) {
        Recording recording = sound.recording();
        String first = null;
        String stem = Drop.stem(recording.fileName());
        for (int channel = 0; channel < recording.channels(); channel += 2) {
            int width = Math.min(2, recording.channels() - channel);
            String told = sound.facts().tracks().get(channel + 1);
            String name = recording.channels() <= 2
                    ? stem
                    : told != null
                            ? NoteRows.safe(told)
                            : stem + " ch " + (channel + 1) + (width == 2 ? "-" + (channel + 2) : "");
            Clip clip = new Clip(recording.sha256(), channel, width, position, 0, recording.framesAt(rate), 0, 0, 0);
            String id = ids.get();
            first = first == null ? id : first;
            AudioRow row = new AudioRow(id, name, List.of(clip));
            rows.add(
                    sound.facts().note().isEmpty()
                            ? row
                            : row.withAbout(About.NOTHING.withNote(sound.facts().note())));
        }
        return first;
    }

    private static String freeId(List<Row> rows) {
        int highest = rows.stream()
                .map(Row::id)
                .filter(id -> id.matches("r[0-9]{1,8}"))
                .mapToInt(id -> Integer.parseInt(id.substring(1)))
                .max()
                .orElse(0);
        return "r" + (highest + 1);
    }
}
