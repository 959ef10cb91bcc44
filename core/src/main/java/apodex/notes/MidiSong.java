package apodex.notes;

import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.session.Key;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What a Standard MIDI File says.
 *
 * @param tempos   ascending by quarter; empty when it gives none
 * @param meters   ascending by bar; empty when it gives none
 * @param markers  named places, in quarter notes from the start
 * @param key      the first it gives; null when it gives none
 * @param players  one for every channel of every track that has notes
 * @param troubles what could not be read or was put right, one sentence each
 */
public record MidiSong(
        List<TempoChange> tempos,
        List<MeterChange> meters,
        List<Mark> markers,
        @Nullable Key key,
        List<Player> players,
        List<String> troubles) {
    /** A marker. */
    public record Mark(double quarter, String name) {}

    /**
     * The notes of one channel of a track.
     *
     * @param name    the track's, or made from its place
     * @param drums   whether it is the percussion channel
     * @param program General MIDI program, 0 to 127; 0 when none is given
     * @param notes   in the order they start
     * @param messages everything else of the channel, and of its track where it is the track's first; in order
     */
    public record Player(String name, boolean drums, int program, List<Note> notes, List<Message> messages) {
        /** With more that is said beside its notes. */
        Player with(List<Message> more) {
            List<Message> all = new ArrayList<>(messages);
            all.addAll(more);
            all.sort(Comparator.comparingDouble(Message::quarter));
            return new Player(name, drums, program, notes, List.copyOf(all));
        }
    }
}
