package apodex.check;

import apodex.naming.SafeName;
import apodex.session.NamedBy;
import apodex.session.RenameRow;
import apodex.session.Row;
import java.util.List;
import java.util.function.Consumer;

/** A name with characters that the file system of some receiver forbids. */
final class NameForbidden extends Check {
    NameForbidden() {
        super("nameForbidden");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            String safe = SafeName.of(row.name());
            if (at.isNamed(row) && !safe.equals(row.name())) {
                String better = safe.replaceAll("[\\s-]+$", "");
                found.accept(Finding.of(
                                this,
                                Severity.KNOW,
                                "A name no file can have",
                                at.called(row) + " has characters that some systems forbid; its files will be called “"
                                        + safe + "”.",
                                List.of(row.id()))
                        .offering(Remedy.harmless(
                                "Call it “" + (better.isEmpty() ? safe : better) + "”",
                                new RenameRow(row.id(), better.isEmpty() ? safe : better, NamedBy.PROPOSAL))));
            }
        }
    }
}
