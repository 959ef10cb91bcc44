package apodex.check;

import apodex.session.RemoveRow;
import apodex.session.Row;
import apodex.session.RowKind;
import java.util.List;
import java.util.function.Consumer;

/** A row without clips or notes, or a bus that nothing feeds. */
final class NothingInIt extends Check {
    NothingInIt() {
        super("nothingInIt");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            boolean looksElsewhere =
                    row.kind() == RowKind.RETURN || row.kind() == RowKind.PART || row.kind() == RowKind.MIX;
            if (!looksElsewhere && !at.hasContent(row)) {
                boolean sum = at.sums().contains(row);
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Nothing in it",
                                at.called(row)
                                        + (sum
                                                ? " gets no sound from any row."
                                                : " has neither clip nor note that is heard.")
                                        + " No file is printed of it.",
                                List.of(row.id()))
                        .offering(Remedy.harmless("Remove the row", new RemoveRow(row.id()))));
            }
        }
    }
}
