package apodex.check;

import apodex.session.NamedBy;
import apodex.session.RenameRow;
import apodex.session.Row;
import apodex.session.RowKind;
import java.util.List;
import java.util.function.Consumer;

/** A name that other programs cut, so that two files look alike. */
final class NameTooLong extends Check {
    /** Track headers and file dialogs commonly show about this many letters. */
    static final int READABLE = 40;

    NameTooLong() {
        super("nameTooLong");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            int length = row.name().codePointCount(0, row.name().length());
            if (row.kind() != RowKind.MIX && at.isNamed(row) && length > READABLE) {
                String shorter = shorter(row.name());
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "A long name",
                                at.called(row) + " has " + length + " letters; from about " + READABLE
                                        + " on, programs cut names.",
                                List.of(row.id()))
                        .with("Letters", Integer.toString(length))
                        .offering(Remedy.harmless(
                                "Shorten it to “" + shorter + "”",
                                new RenameRow(row.id(), shorter, NamedBy.PROPOSAL))));
            }
        }
    }

    /** As many whole words as can be read, one at least. */
    private static String shorter(String name) {
        int[] letters = name.codePoints().limit(READABLE).toArray();
        String cut = new String(letters, 0, letters.length);
        int blank = cut.lastIndexOf(' ');
        return (blank > READABLE / 2 ? cut.substring(0, blank) : cut).strip();
    }
}
