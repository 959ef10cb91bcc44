package apodex.server.database;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Rewrites every stored session and plan with {@link FullSessionModel}. The name is the migration's version. */
@Component
class V2__Full_session_model extends BaseJavaMigration {
    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        StoredDocuments.rewrite(
                connection,
                "session_revision",
                List.of("session_id", "revision"),
                "session",
                FullSessionModel::session);
        StoredDocuments.rewrite(connection, "run", List.of("id"), "session", FullSessionModel::session);
        StoredDocuments.rewrite(connection, "run", List.of("id"), "plan", FullSessionModel::plan);
    }
}
