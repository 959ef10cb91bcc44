package apodex.server.database;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Rewrites every stored session and plan with {@link FullSessionModel}. The name is the migration's version. */
@Component
class V2__Full_session_model extends BaseJavaMigration {
    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        rewrite(connection, "session_revision", List.of("session_id", "revision"), "session", FullSessionModel::session);
        rewrite(connection, "run", List.of("id"), "session", FullSessionModel::session);
        rewrite(connection, "run", List.of("id"), "plan", FullSessionModel::plan);
    }

    private static void rewrite(Connection connection, String table, List<String> keys, String column,
            UnaryOperator<String> change) throws SQLException {
        List<Object[]> changed = new ArrayList<>();
        try (Statement select = connection.createStatement();
                ResultSet rows = select.executeQuery("SELECT " + String.join(", ", keys) + ", " + column + " FROM " + table)) {
            while (rows.next()) {
                Object[] row = new Object[keys.size() + 1];
                row[0] = change.apply(rows.getString(column));
                for (int k = 0; k < keys.size(); k++) {
                    row[k + 1] = rows.getObject(keys.get(k));
                }
                changed.add(row);
            }
        }
        String where = String.join(" AND ", keys.stream().map(key -> key + " = ?").toList());
        try (PreparedStatement update = connection.prepareStatement("UPDATE " + table + " SET " + column + " = ? WHERE " + where)) {
            for (Object[] row : changed) {
                for (int i = 0; i < row.length; i++) {
                    update.setObject(i + 1, row[i]);
                }
                update.executeUpdate();
            }
        }
    }
}
