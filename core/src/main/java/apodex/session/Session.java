package apodex.session;

import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The song as recorded and arranged. The source of truth; never changed, only followed by another.
 *
 * @param song           title, artist, tempo, meter, key
 * @param rate           all its recordings have this rate
 * @param startReference frame 0 of the session, counted from midnight
 * @param originated     when it was recorded, {@code yyyy-mm-dd}
 * @param recordings     every recording its clips use
 * @param rows           in the order they are shown; the mix comes last
 */
public record Session(
        Song song,
        SampleRate rate,
        long startReference,
        String originated,
        List<Recording> recordings,
        List<Row> rows) {

    public Session {
        recordings = List.copyOf(recordings);
        rows = List.copyOf(rows);
    }

    /** From the session's start to the last sound's end. */
    @JsonIgnore
    public long frames() {
        return audioRows().stream().mapToLong(AudioRow::endFrame).max().orElse(0);
    }

    @JsonIgnore
    public List<AudioRow> audioRows() {
        return rows.stream().filter(AudioRow.class::isInstance).map(AudioRow.class::cast).toList();
    }

    public Optional<Row> row(String id) {
        return rows.stream().filter(row -> row.id().equals(id)).findFirst();
    }

    /** @throws IllegalArgumentException when the session does not use it */
    public Recording recording(String sha256) {
        return recordings.stream().filter(recording -> recording.sha256().equals(sha256)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("The session has no recording " + sha256 + "."));
    }

    public Session withSong(Song newSong) {
        return new Session(newSong, rate, startReference, originated, recordings, rows);
    }

    /** The same session with one row changed. */
    public Session withRow(String id, UnaryOperator<Row> change) {
        List<Row> changed = rows.stream().map(row -> row.id().equals(id) ? change.apply(row) : row).toList();
        return new Session(song, rate, startReference, originated, recordings, changed);
    }
}
