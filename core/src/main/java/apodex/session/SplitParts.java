package apodex.session;

import apodex.instrument.Instrument;
import apodex.instrument.Instruments;
import java.util.List;

/** Gives every part of an instrument a row of its own, below the instrument, fed where the instrument feeds. */
public record SplitParts(String row) implements SessionEdit {
    @Override
    public Session change(Session session) {
        if (!(SessionEdit.row(session, row) instanceof InstrumentRow player)) {
            throw new EditRefused("row", "Only instrument rows have parts.");
        }
        Instrument instrument = Instruments.find(player.instrument())
                .orElseThrow(
                        () -> new EditRefused("instrument", "Apodex has no instrument “" + player.instrument() + "”."));
        List<String> apart = session.partsOnTheirOwn(row);
        List<Instrument.Part> still = instrument.parts().stream()
                .filter(part -> !apart.contains(part.id()))
                .toList();
        if (instrument.parts().size() < 2 || still.isEmpty()) {
            throw new EditRefused("row", "“" + player.name() + "” has no parts left to split off.");
        }
        String place = session.rows().get(session.rows().indexOf(player) + 1).id();
        Session after = session;
        for (Instrument.Part part : still) {
            PartRow apartRow = new PartRow(
                    RowIds.fresh(),
                    part.name(),
                    row,
                    part.id(),
                    Strip.PLAIN.withOutputs(player.strip().outputs()),
                    player.about());
            after = new AddRow(apartRow, place).change(after);
        }
        return after;
    }

    @Override
    public String describe(Session before) {
        return "Split the parts of " + SessionEdit.named(before, row);
    }
}
