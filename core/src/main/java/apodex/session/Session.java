package apodex.session;

import apodex.instrument.Instrument;
import apodex.instrument.Instruments;
import apodex.instrument.Note;
import apodex.instrument.Pedal;
import apodex.instrument.Performance;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;

/**
 * The song as recorded and arranged. The source of truth; never changed, only followed by another.
 *
 * @param song           title, artist, tempo map, key
 * @param rate           frames per second of its timeline
 * @param startReference frame 0 of the session, counted from midnight
 * @param originated     when it was recorded, {@code yyyy-mm-dd}
 * @param panLaw         how loud the centre is
 * @param markers        in any order
 * @param recordings     every recording its clips use
 * @param rows           in the order they are shown; the mix comes last
 */
public record Session(
        Song song,
        SampleRate rate,
        long startReference,
        String originated,
        PanLaw panLaw,
        List<Marker> markers,
        List<Recording> recordings,
        List<Row> rows) {

    public Session {
        panLaw = panLaw == null ? PanLaw.MINUS_3 : panLaw;
        markers = markers == null ? List.of() : List.copyOf(markers);
        recordings = ById.of(recordings, Recording::sha256);
        rows = ById.of(rows, Row::id);
    }

    /** A session without markers, with the usual pan law. */
    public Session(
            Song song,
            SampleRate rate,
            long startReference,
            String originated,
            List<Recording> recordings,
            List<Row> rows) {
        this(song, rate, startReference, originated, PanLaw.MINUS_3, List.of(), recordings, rows);
    }

    /** From the session's start to the last sound's end: of clips their end, of notes the end of their ringing. */
    @JsonIgnore
    public long frames() {
        long end = 0;
        for (Row row : rows) {
            for (Brought brought : row.strip().brought()) {
                for (Clip clip : brought.clips()) {
                    end = Math.max(end, clip.range().end());
                }
            }
            if (row instanceof AudioRow audio) {
                end = Math.max(end, audio.endFrame());
            } else if (row instanceof InstrumentRow instrument) {
                end = Math.max(end, endFrame(instrument));
            }
        }
        return end;
    }

    private long endFrame(InstrumentRow row) {
        Optional<Instrument> instrument = Instruments.find(row.instrument());
        if (instrument.isEmpty()) {
            return 0;
        }
        TempoMap timeline = song.timeline();
        long end = 0;
        double ring = Performance.ringSeconds(instrument.get(), row.messages());
        for (Note note : Pedal.held(row.notes(), row.messages())) {
            long stop = timeline.frameOf(note.quarter() + note.quarters(), rate);
            end = Math.max(end, stop + Math.round(ring * rate.hertz()));
        }
        return end;
    }

    /** Whether a row has clips, notes or sound rendered elsewhere of its own. */
    public boolean hasOwn(Row row) {
        return !row.clips().isEmpty()
                || !row.strip().brought().isEmpty()
                || row.playing(this)
                        .filter(playing -> !playing.player().notes().isEmpty())
                        .isPresent();
    }

    /** Where the first clip or note of a row begins, or sound rendered elsewhere; empty for rows without any of their own. */
    public OptionalLong firstFrame(Row row) {
        LongStream clips = row.heardClips().stream().mapToLong(Clip::position);
        OptionalDouble quarter = row.playing(this).map(Playing::notes).orElse(List.of()).stream()
                .mapToDouble(Note::quarter)
                .min();
        return quarter.isPresent()
                ? LongStream.concat(clips, LongStream.of(song.timeline().frameOf(quarter.getAsDouble(), rate)))
                        .min()
                : clips.min();
    }

    /** Whether any clip of any row is of a recording, heard or not. */
    public boolean uses(String sha256) {
        return rows.stream().flatMap(row -> row.allClips().stream()).anyMatch(clip -> clip.recording()
                .equals(sha256));
    }

    /** As it is listened to: with house instruments standing in for those that are not here. */
    public Session withStandIns() {
        return withRows(rows.stream()
                .map(row -> row instanceof InstrumentRow player ? player.from(SoundFrom.HOUSE) : row)
                .toList());
    }

    /** Rows with clips, in order. */
    @JsonIgnore
    public List<AudioRow> audioRows() {
        return rows.stream()
                .filter(AudioRow.class::isInstance)
                .map(AudioRow.class::cast)
                .toList();
    }

    /** The one mix. */
    @JsonIgnore
    public MixRow mix() {
        for (int i = rows.size() - 1; i >= 0; i--) { // the rules want it last
            if (rows.get(i) instanceof MixRow mix) {
                return mix;
            }
        }
        throw new NoSuchElementException("The session has no mix.");
    }

    /** Where a row stands, from 0; -1 when it is not of this session. */
    public int place(Row row) {
        return ById.place(rows, row.id());
    }

    /** Found in constant time. */
    public Optional<Row> row(String id) {
        return Optional.ofNullable(ById.find(rows, id));
    }

    /** Names of the parts of an instrument row that have rows of their own. */
    public List<String> partsOnTheirOwn(String instrumentRow) {
        return rows.stream()
                .filter(PartRow.class::isInstance)
                .map(PartRow.class::cast)
                .filter(part -> part.instrument().equals(instrumentRow))
                .map(PartRow::part)
                .toList();
    }

    /** @throws IllegalArgumentException when the session does not use it */
    public Recording recording(String sha256) {
        Recording known = ById.find(recordings, sha256);
        if (known == null) {
            throw new IllegalArgumentException("The session has no recording " + sha256 + ".");
        }
        return known;
    }

    public Session withSong(Song newSong) {
        return new Session(newSong, rate, startReference, originated, panLaw, markers, recordings, rows);
    }

    public Session withPanLaw(PanLaw law) {
        return new Session(song, rate, startReference, originated, law, markers, recordings, rows);
    }

    public Session withMarkers(List<Marker> newMarkers) {
        return new Session(song, rate, startReference, originated, panLaw, newMarkers, recordings, rows);
    }

    public Session withRecordings(List<Recording> newRecordings) {
        return new Session(song, rate, startReference, originated, panLaw, markers, newRecordings, rows);
    }

    public Session withRows(List<Row> newRows) {
        return new Session(song, rate, startReference, originated, panLaw, markers, recordings, newRows);
    }

    /** The same session with one row changed. */
    public Session withRow(String id, UnaryOperator<Row> change) {
        return withRows(rows.stream()
                .map(row -> row.id().equals(id) ? change.apply(row) : row)
                .toList());
    }
}
