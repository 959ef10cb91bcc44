package apodex.session;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;

/**
 * Gives rows another place in the order; among themselves they stay as they were.
 *
 * @param rows   the rows to move
 * @param before the row they come before; null: last, before the mix
 */
public record MoveRows(List<String> rows, @Nullable String before) implements SessionEdit {
    public MoveRows {
        rows = rows == null ? List.of() : List.copyOf(rows);
    }

    @Override
    public Session change(Session session) {
        List<Row> moved =
                session.rows().stream().filter(row -> rows.contains(row.id())).toList();
        rows.forEach(row -> SessionEdit.row(session, row));
        if (moved.isEmpty() || moved.contains(session.mix())) {
            throw new EditRefused("rows", "The mix stays last; every other row can be moved.");
        }
        List<Row> others = new ArrayList<>(session.rows());
        others.removeAll(moved);
        Row place = before == null ? session.mix() : SessionEdit.row(session, before);
        while (moved.contains(place)) { // a row dropped on itself: before the next that stays
            place = session.rows().get(session.rows().indexOf(place) + 1);
        }
        others.addAll(others.indexOf(place), moved);
        return session.withRows(others);
    }

    @Override
    public String describe(Session session) {
        return rows.size() == 1 ? "Move " + SessionEdit.named(session, rows.get(0)) : "Move " + rows.size() + " rows";
    }
}
