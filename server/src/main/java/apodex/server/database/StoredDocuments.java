package apodex.server.database;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Rewrites documents in text columns, for migrations that SQL alone cannot make. */
final class StoredDocuments {
    private StoredDocuments() {}

    static void rewrite(
            Connection connection, String table, List<String> keys, String column, UnaryOperator<String> change)
            throws SQLException {
        List<Object[]> changed = new ArrayList<>();
        try (Statement select = connection.createStatement();
                ResultSet rows =
                        select.executeQuery("SELECT " + String.join(", ", keys) + ", " + column + " FROM " + table)) {
            while (rows.next()) {
                Object[] row = new Object[keys.size() + 1];
                row[0] = change.apply(rows.getString(column));
                for (int k = 0; k < keys.size(); k++) {
                    row[k + 1] = rows.getObject(keys.get(k));
                }
                changed.add(row);
            }
        }
        String where =
                String.join(" AND ", keys.stream().map(key -> key + " = ?").toList());
        try (PreparedStatement update =
                connection.prepareStatement("UPDATE " + table + " SET " + column + " = ? WHERE " + where)) {
            for (Object[] row : changed) {
                for (int i = 0; i < row.length; i++) {
                    update.setObject(i + 1, row[i]);
                }
                update.executeUpdate();
            }
        }
    }
}
