package apodex.check;

import apodex.session.Row;
import apodex.session.SessionEdit;
import apodex.session.SetAbout;
import apodex.session.Together;
import java.util.List;
import java.util.function.Function;

/** Remedies that tell the receiver: a row's note goes on the session sheet. */
final class Notes {
    private Notes() {}

    static Remedy add(String label, Row row, String words) {
        return Remedy.harmless(label, edit(row, words));
    }

    /** The same for several rows at once. */
    static Remedy add(String label, List<? extends Row> rows, Function<Row, String> words) {
        return Remedy.harmless(
                label,
                new Together(
                        "Add to the notes of " + RowNames.count(rows.size(), "row"),
                        rows.stream()
                                .map(row -> (SessionEdit) edit(row, words.apply(row)))
                                .toList()));
    }

    private static SetAbout edit(Row row, String words) {
        String note = row.about().withMoreNote(words).note();
        return new SetAbout(
                row.id(), row.about().role(), note.substring(0, Math.min(note.length(), SetAbout.LONGEST_NOTE)));
    }

    /** Whether a row's note says it already. */
    static boolean says(Row row, String words) {
        return row.about().note().contains(words);
    }
}
