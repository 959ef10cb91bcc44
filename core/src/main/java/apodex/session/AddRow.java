package apodex.session;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;

/**
 * Adds a row.
 *
 * @param row    with an id no other row has
 * @param before the row it comes before; null: last, before the mix
 */
public record AddRow(Row row, @Nullable String before) implements SessionEdit {
    @Override
    public Session change(Session session) {
        if (row == null) {
            throw new EditRefused("row", "There is no row to add.");
        }
        Row named = row.withName(NameRule.check("name", row.name()));
        String place = before == null
                ? session.mix().id()
                : SessionEdit.row(session, before).id();
        List<Row> rows = new ArrayList<>();
        for (Row each : session.rows()) {
            if (each.id().equals(place)) {
                rows.add(named);
            }
            rows.add(each);
        }
        return session.withRows(rows);
    }

    @Override
    public String describe(Session session) {
        return "Add “" + row.name() + "”";
    }
}
