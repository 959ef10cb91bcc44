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
import jakarta.annotation.Nullable;
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
     * @param media      recordings that came
     * @param base       what is known of the song
     * @param how        lists are read
     * @param start      of the session, counted from midnight, as time stamps have it; 0 where there are none
     * @param loose      lays out the recordings that no list names
     */
    static Session of(
            Sorted sorted,
            Media media,
            SampleRate rate,
            Song base,
            LocalDate today,
            Lists how,
            long stamped,
            Loose loose)
            throws IOException {
        Song song = song(sorted, base, how.tempo());
        Listed listed = listed(sorted, media, rate, song, how, stamped);
        List<Row> rows = new ArrayList<>(listed.rows());
        List<Marker> markers = new ArrayList<>();
        long looseStart = loose.lay(media, rate, rows, markers);
        long start = looseStart == 0 ? listed.start() : looseStart;
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
        media.recordings().forEach(recording -> recordings.putIfAbsent(recording.sha256(), recording));
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

    /**
     * The song, with the tempo map of the first notes that give one, where nothing else does.
     *
     * @param told a tempo that somebody said; null when nobody did
     */
    static Song song(Sorted sorted, Song base, @Nullable Double told) {
        Song song = base;
        for (MidiSong midi : sorted.songs) {
            song = song.tempo() == null ? NoteRows.withTempo(song, midi) : song;
        }
        return song.tempo() == null && told != null
                ? new Song(song.title(), song.artist(), told, song.meter(), song.key())
                : song;
    }

    /**
     * Rows of timelines and lists, and what there is to say of them.
     *
     * @param start of a session whose lists count in timecode, counted from midnight; else 0
     */
    record Listed(List<Row> rows, Lists facts, long start) {}

    /** Rows that timelines and clip lists lay out; what was cut or left out of them is remarked. */
    static Listed listed(Sorted sorted, Media media, SampleRate rate, Song song, Lists how, long stamped) {
        List<String> troubles = new ArrayList<>();
        LaidRows laid = new LaidRows(media, rate, song.timeline(), troubles).with(how.overlaps());
        long start = sorted.inTimecode ? startOf(sorted.lists, stamped, rate, song) : 0;
        List<Row> rows = new ArrayList<>();
        sorted.timelines.stream()
                .flatMap(timeline -> timeline.rows().stream())
                .forEach(row -> rows.add(laid.row(row, nextId(rows))));
        laid.startingAt(start);
        sorted.lists.forEach(row -> rows.add(laid.row(row, nextId(rows))));
        troubles.forEach(trouble -> sorted.remark("Clips", trouble));
        boolean bars = song.tempo() == null && sorted.lists.stream().anyMatch(LaidRow::countsBars);
        return new Listed(rows, Lists.read(rows.size(), List.copyOf(laid.overlapping), bars), start);
    }

    /** Timecodes count from midnight, as stamps do; where there are no stamps, a session starts at the full hour before its first clip. */
    static long startOf(List<LaidRow> lists, long stamped, SampleRate rate, Song song) {
        long earliest = lists.stream()
                .flatMap(row -> row.takes().stream())
                .flatMap(take -> take.clips().stream())
                .mapToLong(clip -> clip.position().frame(rate, song.timeline()))
                .min()
                .orElse(0);
        return stamped > 0 && stamped <= earliest
                ? stamped
                : Math.max(0, Math.floorDiv(earliest, 3_600L * rate.hertz()) * 3_600L * rate.hertz());
    }

    static String nextId(List<Row> rows) {
        return "r" + (rows.size() + 1);
    }
}
