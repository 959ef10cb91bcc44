package apodex.session;

import apodex.instrument.Note;
import java.util.List;
import java.util.Optional;

/**
 * Notes and the instrument that plays them. Parts that have a {@link PartRow} of their own are not in its sound.
 *
 * @param instrument name of a house instrument
 * @param notes      in any order
 * @param soundFrom  what their sound is; the house instrument, where a document does not say
 */
public record InstrumentRow(
        String id, String name, String instrument, List<Note> notes, Strip strip, About about, SoundFrom soundFrom)
        implements Row {
    public InstrumentRow {
        about = about == null ? About.NOTHING : about;
        notes = List.copyOf(notes);
        soundFrom = soundFrom == null ? SoundFrom.HOUSE : soundFrom;
    }

    /** One that the house instrument plays. */
    public InstrumentRow(String id, String name, String instrument, List<Note> notes, Strip strip, About about) {
        this(id, name, instrument, notes, strip, about, SoundFrom.HOUSE);
    }

    /** One that nobody has said anything about. */
    public InstrumentRow(String id, String name, String instrument, List<Note> notes, Strip strip) {
        this(id, name, instrument, notes, strip, About.NOTHING);
    }

    /** Other notes on the same instrument. */
    public InstrumentRow withNotes(List<Note> newNotes) {
        return new InstrumentRow(id, name, instrument, newNotes, strip, about, soundFrom);
    }

    /** The same notes on another instrument. */
    public InstrumentRow playedBy(String newInstrument) {
        return new InstrumentRow(id, name, newInstrument, notes, strip, about, soundFrom);
    }

    /** The same notes, with this as their sound. */
    public InstrumentRow from(SoundFrom other) {
        return new InstrumentRow(id, name, instrument, notes, strip, about, other);
    }

    @Override
    public RowKind kind() {
        return RowKind.INSTRUMENT;
    }

    @Override
    public Optional<Playing> playing(Session session) {
        return Optional.of(Playing.of(this, session));
    }

    @Override
    public InstrumentRow withName(String newName) {
        return new InstrumentRow(id, newName, instrument, notes, strip, about, soundFrom);
    }

    @Override
    public InstrumentRow withStrip(Strip newStrip) {
        return new InstrumentRow(id, name, instrument, notes, newStrip, about, soundFrom);
    }

    @Override
    public InstrumentRow withAbout(About newAbout) {
        return new InstrumentRow(id, name, instrument, notes, strip, newAbout, soundFrom);
    }
}
