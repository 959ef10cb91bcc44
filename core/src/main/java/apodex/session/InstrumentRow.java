package apodex.session;

import apodex.instrument.Message;
import apodex.instrument.Note;
import java.util.List;
import java.util.Optional;

/**
 * Notes and the instrument that plays them. Parts that have a {@link PartRow} of their own are not in its sound.
 *
 * @param instrument name of a house instrument
 * @param notes      in any order
 * @param soundFrom  what their sound is; the house instrument, where a document does not say
 * @param messages   what is played or said beside the notes, in any order
 */
public record InstrumentRow(
        String id,
        String name,
        String instrument,
        List<Note> notes,
        Strip strip,
        About about,
        SoundFrom soundFrom,
        List<Message> messages)
        implements Row {
    public InstrumentRow {
        about = about == null ? About.NOTHING : about;
        notes = List.copyOf(notes);
        soundFrom = soundFrom == null ? SoundFrom.HOUSE : soundFrom;
        messages = messages == null ? List.of() : List.copyOf(messages);
    }

    /** One that the house instrument plays. */
    public InstrumentRow(String id, String name, String instrument, List<Note> notes, Strip strip, About about) {
        this(id, name, instrument, notes, strip, about, SoundFrom.HOUSE, List.of());
    }

    /** One that nobody has said anything about. */
    public InstrumentRow(String id, String name, String instrument, List<Note> notes, Strip strip) {
        this(id, name, instrument, notes, strip, About.NOTHING);
    }

    /** Other notes on the same instrument. */
    public InstrumentRow withNotes(List<Note> newNotes) {
        return new InstrumentRow(id, name, instrument, newNotes, strip, about, soundFrom, messages);
    }

    /** The same notes on another instrument. */
    public InstrumentRow playedBy(String newInstrument) {
        return new InstrumentRow(id, name, newInstrument, notes, strip, about, soundFrom, messages);
    }

    /** The same notes, with what is played and said beside them. */
    public InstrumentRow with(List<Message> other) {
        return new InstrumentRow(id, name, instrument, notes, strip, about, soundFrom, other);
    }

    /** The same notes, with this as their sound. */
    public InstrumentRow from(SoundFrom other) {
        return new InstrumentRow(id, name, instrument, notes, strip, about, other, messages);
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
        return new InstrumentRow(id, newName, instrument, notes, strip, about, soundFrom, messages);
    }

    @Override
    public InstrumentRow withStrip(Strip newStrip) {
        return new InstrumentRow(id, name, instrument, notes, newStrip, about, soundFrom, messages);
    }

    @Override
    public InstrumentRow withAbout(About newAbout) {
        return new InstrumentRow(id, name, instrument, notes, strip, newAbout, soundFrom, messages);
    }
}
