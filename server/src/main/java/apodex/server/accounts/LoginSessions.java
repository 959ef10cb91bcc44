package apodex.server.accounts;

import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Where people are signed in: kept in the database, so that any server ends them and none forgets them. */
@Component
class LoginSessions {
    private final JdbcTemplate database;

    LoginSessions(JdbcTemplate database) {
        this.database = database;
    }

    /** Signs somebody out in every browser. */
    void endAll(String name) {
        database.update("DELETE FROM SPRING_SESSION WHERE PRINCIPAL_NAME = ?", name);
    }

    /** The same, but for one. */
    void endOthers(String name, String sessionId) {
        database.update("DELETE FROM SPRING_SESSION WHERE PRINCIPAL_NAME = ? AND SESSION_ID <> ?", name, sessionId);
    }

    int count(String name) {
        Integer count = database.queryForObject(
                "SELECT COUNT(*) FROM SPRING_SESSION WHERE PRINCIPAL_NAME = ? AND EXPIRY_TIME > ?",
                Integer.class,
                name,
                System.currentTimeMillis());
        return count == null ? 0 : count;
    }
}
