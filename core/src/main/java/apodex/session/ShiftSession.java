package apodex.session;

import apodex.time.MeterChange;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * Moves everything later by whole bars of the first meter and tempo: clips, notes, moves, markers, tempo and meter changes.
 * The session then starts that much earlier in the day.
 */
public record ShiftSession(int bars) implements SessionEdit {
    private static final int MOST_BARS = 64;

    @Override
    public Session change(Session session) {
        if (bars < 1 || bars > MOST_BARS) {
            throw new EditRefused("bars", "A session can be moved by 1 to " + MOST_BARS + " bars, not " + bars + ".");
        }
        Song song = session.song();
        TempoMap map = song.timeline();
        double quarters = bars * map.meterOf(1).quartersPerBar();
        long frames = Math.round(quarters * 60 / map.tempoAt(0) * session.rate().hertz());
        List<TempoChange> tempos = new ArrayList<>();
        boolean glidesFromTheStart =
                !song.tempoChanges().isEmpty() && song.tempoChanges().get(0).way() == TempoChange.Way.GLIDE;
        if (glidesFromTheStart) {
            tempos.add(new TempoChange(
                    quarters, map.tempoAt(0), TempoChange.Way.JUMP)); // not before, or it would be slower
        }
        song.tempoChanges()
                .forEach(change -> tempos.add(
                        new TempoChange(change.quarter() + quarters, change.quartersPerMinute(), change.way())));
        Song later = new Song(
                song.title(),
                song.artist(),
                song.tempo(),
                song.meter(),
                song.key(),
                tempos,
                each(song.meterChanges(), change -> new MeterChange(change.bar() + bars, change.meter())));
        return new Session(
                later,
                session.rate(),
                session.startReference() - frames,
                session.originated(),
                session.panLaw(),
                each(session.markers(), marker -> new Marker(marker.frame() + frames, marker.name())),
                session.recordings(),
                each(session.rows(), row -> later(row, frames, quarters)));
    }

    private static Row later(Row row, long frames, double quarters) {
        Strip strip = row.strip();
        Row moved = row.withStrip(strip.withMoves(later(strip.faderMoves(), frames), later(strip.panMoves(), frames)));
        moved = moved.withAllClips(clips -> each(clips, clip -> clip.at(clip.position() + frames)));
        if (moved instanceof InstrumentRow player) {
            return player.withNotes(each(player.notes(), note -> note.at(note.quarter() + quarters, note.quarters())))
                    .with(each(player.messages(), message -> message.later(quarters)));
        }
        return moved;
    }

    private static List<Move> later(List<Move> moves, long frames) {
        return each(moves, move -> new Move(move.frame() + frames, move.value()));
    }

    private static <T> List<T> each(List<T> list, Function<T, T> change) {
        return list.stream().map(change).toList();
    }

    @Override
    public String describe(Session before) {
        return "Move everything later by " + (bars == 1 ? "a bar" : bars + " bars");
    }
}
