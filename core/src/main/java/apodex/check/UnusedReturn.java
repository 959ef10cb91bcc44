package apodex.check;

import apodex.session.RemoveRow;
import apodex.session.Row;
import apodex.session.RowKind;
import java.util.List;
import java.util.function.Consumer;

/** A return that no row sends to. */
final class UnusedReturn extends Check {
    UnusedReturn() {
        super("unusedReturn");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            if (row.kind() == RowKind.RETURN && at.feeding(row).isEmpty()) {
                found.accept(Finding.of(
                                this,
                                Severity.KNOW,
                                "Unused return",
                                at.called(row) + " gets no send from any row.",
                                List.of(row.id()))
                        .offering(Remedy.harmless("Remove it", new RemoveRow(row.id()))));
            }
        }
    }
}
