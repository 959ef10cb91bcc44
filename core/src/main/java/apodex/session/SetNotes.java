package apodex.session;

import apodex.instrument.Note;
import java.util.List;

/** Gives the instrument and the notes of an instrument row. */
public record SetNotes(String row, String instrument, List<Note> notes) implements SessionEdit {
    @Override
    public Session change(Session session) {
        if (SessionEdit.row(session, row).kind() != RowKind.INSTRUMENT) {
            throw new EditRefused("row", "Only instrument rows have notes.");
        }
        return session.withRow(
                row,
                before -> new InstrumentRow(
                        before.id(),
                        before.name(),
                        instrument,
                        notes == null ? List.of() : notes,
                        before.strip(),
                        before.about()));
    }

    @Override
    public String describe(Session before) {
        return "Change the notes of " + SessionEdit.named(before, row);
    }
}
