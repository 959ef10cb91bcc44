package apodex.session;

import apodex.instrument.Instrument;
import apodex.instrument.Instruments;
import jakarta.annotation.Nullable;
import java.util.List;

/**
 * Gives the notes of a row to another instrument. Rows of parts that it does not have go.
 *
 * @param soundFrom what the sound of the notes is; null leaves it as it is
 */
public record SetInstrument(String row, String instrument, @Nullable SoundFrom soundFrom) implements SessionEdit {
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
        return after.withRow(row, each -> {
            InstrumentRow player = ((InstrumentRow) each).playedBy(instrument);
            return soundFrom == null ? player : player.from(soundFrom);
        });
    }

    @Override
    public String describe(Session before) {
        return "Choose the instrument of " + SessionEdit.named(before, row);
    }
}
