package apodex.session;

import apodex.instrument.Instrument;
import apodex.instrument.Instruments;
import java.util.List;

/** Gives the notes of a row to another instrument. Rows of parts that it does not have go. */
public record SetInstrument(String row, String instrument) implements SessionEdit {
    @Override
    public Session change(Session session) {
        if (SessionEdit.row(session, row).kind() != RowKind.INSTRUMENT) {
            throw new EditRefused("row", "Only instrument rows have an instrument.");
        }
        Instrument chosen = Instruments.find(instrument)
                .orElseThrow(() -> new EditRefused(
                        "instrument",
                        "Apodex has no instrument “" + NameRule.shown(String.valueOf(instrument)) + "”."));
        List<String> gone = session.rows().stream()
                .filter(each -> each instanceof PartRow part
                        && part.instrument().equals(row)
                        && chosen.parts().stream().noneMatch(known -> known.id().equals(part.part())))
                .map(Row::id)
                .toList();
        Session after = session;
        for (String part : gone) {
            after = new RemoveRow(part).change(after);
        }
        return after.withRow(row, each -> ((InstrumentRow) each).playedBy(instrument));
    }

    @Override
    public String describe(Session before) {
        return "Choose the instrument of " + SessionEdit.named(before, row);
    }
}
