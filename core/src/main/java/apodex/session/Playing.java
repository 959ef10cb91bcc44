package apodex.session;

import apodex.instrument.Instrument;
import apodex.instrument.Instrument.Part;
import apodex.instrument.Instruments;
import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.instrument.Pedal;
import apodex.instrument.Performance;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import java.util.List;
import java.util.Optional;

/**
 * What is played on a row.
 *
 * @param player the row that has the notes
 * @param parts  parts of its instrument that are heard on this row; none when the instrument is not known, or only stands in
 */
public record Playing(InstrumentRow player, List<Part> parts) {
    public Optional<Instrument> instrument() {
        return Instruments.find(player.instrument());
    }

    /** As they sound: held by keys, or by the pedal. */
    public List<Note> notes() {
        return Pedal.held(player.notes(), player.messages());
    }

    /** What of it is heard beside the notes: bends, volume, pan. */
    public List<Message> messages() {
        return player.messages().stream().filter(Performance::matters).toList();
    }

    /** Of what is heard here: two where a part is wide, or anything is played to one side. */
    public int channels() {
        int widest = parts.stream().mapToInt(Part::channels).max().orElse(1);
        return !parts.isEmpty() && Performance.pans(player.messages()) ? 2 : widest;
    }

    /** As it is performed at a rate. */
    public Performance performance(TempoMap tempo, SampleRate rate) {
        return new Performance(
                instrument().orElseThrow(),
                notes(),
                messages(),
                parts.stream().anyMatch(part -> part.channels() == 2),
                quarter -> tempo.frameOf(quarter, rate),
                rate);
    }

    /** Whether the house instrument only stands in for what plays it: then it has no sound of its own here. */
    public boolean isStoodInFor() {
        return player.soundFrom() == SoundFrom.ELSEWHERE;
    }

    /** What the instrument itself is heard with: all parts that have no row of their own. */
    static Playing of(InstrumentRow player, Session session) {
        List<String> apart = session.partsOnTheirOwn(player.id());
        return new Playing(
                player,
                allParts(player).stream()
                        .filter(part -> !apart.contains(part.id()))
                        .toList());
    }

    /** One part alone. */
    static Playing of(InstrumentRow player, String only) {
        return new Playing(
                player,
                allParts(player).stream().filter(part -> part.id().equals(only)).toList());
    }

    private static List<Part> allParts(InstrumentRow player) {
        return player.soundFrom() == SoundFrom.ELSEWHERE
                ? List.of()
                : Instruments.find(player.instrument()).map(Instrument::parts).orElse(List.of());
    }

    /** Whether any of the notes makes a sound here. */
    public boolean sounds() {
        return instrument()
                .filter(plays -> parts.stream()
                        .anyMatch(part -> player.notes().stream().anyMatch(note -> plays.plays(part, note))))
                .isPresent();
    }
}
