package apodex.session;

import apodex.instrument.Note;
import java.util.List;

/**
 * Notes and the instrument that plays them. Parts that have a {@link PartRow} of their own are not in its sound.
 *
 * @param instrument name of a house instrument
 * @param notes      in any order
 */
public record InstrumentRow(String id, String name, String instrument, List<Note> notes, Strip strip)
        implements Row {
    public InstrumentRow {
        notes = List.copyOf(notes);
    }

    @Override
    public InstrumentRow withName(String newName) {
        return new InstrumentRow(id, newName, instrument, notes, strip);
    }

    @Override
    public InstrumentRow withStrip(Strip newStrip) {
        return new InstrumentRow(id, name, instrument, notes, newStrip);
    }
}
