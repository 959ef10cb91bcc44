package apodex.intake;

import apodex.notes.MidiSong;
import apodex.session.EditRefused;
import apodex.session.InstrumentRow;
import apodex.session.Marker;
import apodex.session.NameRule;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.SoundFrom;
import apodex.session.Strip;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.util.ArrayList;
import java.util.List;

/** Makes rows, tempo and markers of what Standard MIDI Files say. */
final class NoteRows {
    private NoteRows() {}

    static InstrumentRow row(MidiSong.Player player, String id) {
        String name;
        try {
            name = NameRule.check("name", player.name());
        } catch (EditRefused e) {
            name = "Notes";
        }
        String instrument = player.drums() ? "drumKit" : instrument(player.program());
        return new InstrumentRow(id, name, instrument, player.notes(), Strip.PLAIN)
                .from(SoundFrom.ELSEWHERE)
                .with(player.messages());
    }

    /** The house instrument nearest to a General MIDI program's family. */
    private static String instrument(int program) {
        return switch (program / 8) {
            case 1, 14 -> "bell";
            case 2, 7, 8, 9 -> "reedOrgan";
            case 4 -> "bass";
            case 5, 6, 11, 12 -> "pad";
            default -> "pluckedString";
        };
    }

    /** The song with the tempo map of the notes, where it gives one. */
    static Song withTempo(Song song, MidiSong midi) {
        if (midi.tempos().isEmpty() && midi.meters().isEmpty() && midi.key() == null) {
            return song;
        }
        List<TempoChange> tempos = new ArrayList<>(midi.tempos());
        Double first = tempos.isEmpty()
                ? song.tempo()
                : Double.valueOf(
                        tempos.get(0).quarter() == 0 ? tempos.remove(0).quartersPerMinute() : Song.TEMPO_WHEN_UNKNOWN);
        List<MeterChange> meters = new ArrayList<>(midi.meters());
        var meter = meters.isEmpty()
                ? song.meter()
                : meters.get(0).bar() == 1 ? meters.remove(0).meter() : null;
        return new Song(
                song.title(),
                song.artist(),
                first,
                meter,
                song.key() == null ? midi.key() : song.key(),
                tempos,
                meters);
    }

    static List<Marker> markers(MidiSong midi, TempoMap tempo, SampleRate rate) {
        return midi.markers().stream()
                .map(mark -> new Marker(tempo.frameOf(mark.quarter(), rate), safe(mark.name())))
                .toList();
    }

    static String safe(String name) {
        try {
            return NameRule.check("name", name);
        } catch (EditRefused e) {
            return "Mark";
        }
    }

    /** Whether a session still takes a tempo map from notes. */
    static boolean takesTempo(Session session) {
        return session.song().tempo() == null;
    }
}
