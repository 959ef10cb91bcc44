package apodex.server.database;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** Handoffs learn briefs, plans learn sections. */
@Component
class V5__Handoffs_by_brief extends BaseJavaMigration {
    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        StoredDocuments.rewrite(connection, "handoff", List.of("id"), "handoff", HandoffsByBrief::handoff);
        StoredDocuments.rewrite(connection, "run", List.of("id"), "handoff", HandoffsByBrief::handoff);
        StoredDocuments.rewrite(connection, "run", List.of("id"), "plan", HandoffsByBrief::plan);
    }
}
