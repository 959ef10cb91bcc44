package apodex.intake;

import apodex.notes.MidiSong;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Puts a session together: rows of timelines and lists, rows of loose recordings, rows of notes, markers, the mix. */
final class SessionLayout {
    private SessionLayout() {}

    /** Lays out what no list names. */
    interface Loose {
        /** @return the session's start, counted from midnight */
        long lay(Media media, SampleRate rate, List<Row> rows, List<Marker> markers) throws IOException;
    }

    /**
     * Lays a session out.
     *
     * @param sorted     what came besides recordings
     * @param all        recordings that came
     * @param loose      lays out the recordings that no list names
     */
    static Session of(Sorted sorted, List<Recording> all, SampleRate rate, String title, LocalDate today, Loose loose)
            throws IOException {
        Song song = song(sorted, title);
        Media media = new Media(all);
        List<Row> rows = listed(sorted, media, rate, song);
        List<Marker> markers = new ArrayList<>();
        long start = loose.lay(media, rate, rows, markers);
        for (MidiSong midi : sorted.songs) {
            midi.players().forEach(player -> rows.add(NoteRows.row(player, nextId(rows))));
            markers.addAll(NoteRows.markers(midi, song.timeline(), rate));
        }
        for (OtioReader.Timeline timeline : sorted.timelines) {
            timeline.markers()
                    .forEach(mark ->
                            markers.add(new Marker(mark.place().frame(rate, null), NoteRows.safe(mark.name()))));
        }
        rows.add(MixRow.DEFAULT);
        Map<String, Recording> recordings = new LinkedHashMap<>();
        all.forEach(recording -> recordings.putIfAbsent(recording.sha256(), recording));
        media.missing().forEach(recording -> recordings.putIfAbsent(recording.sha256(), recording));
        media.made().forEach(recording -> recordings.putIfAbsent(recording.sha256(), recording));
        String originated = recordings.values().stream()
                .map(Recording::originated)
                .filter(Objects::nonNull)
                .min(Comparator.naturalOrder())
                .orElse(today.toString());
        return new Session(
                song, rate, start, originated, PanLaw.MINUS_3, markers, List.copyOf(recordings.values()), rows);
    }

    /** The song, with the tempo map of the first notes that give one. */
    static Song song(Sorted sorted, String title) {
        Song song = Song.titled(title);
        for (MidiSong midi : sorted.songs) {
            song = song.tempo() == null ? NoteRows.withTempo(song, midi) : song;
        }
        return song;
    }

    /** Rows that timelines and clip lists lay out; what was cut or left out of them is remarked. */
    static List<Row> listed(Sorted sorted, Media media, SampleRate rate, Song song) {
        List<String> troubles = new ArrayList<>();
        LaidRows laid = new LaidRows(media, rate, song.timeline(), troubles);
        List<Row> rows = new ArrayList<>();
        sorted.timelines.stream()
                .flatMap(timeline -> timeline.rows().stream())
                .forEach(row -> rows.add(laid.row(row, nextId(rows))));
        sorted.lists.forEach(row -> rows.add(laid.row(row, nextId(rows))));
        troubles.forEach(trouble -> sorted.remark("Clips", trouble));
        return rows;
    }

    static String nextId(List<Row> rows) {
        return "r" + (rows.size() + 1);
    }
}
