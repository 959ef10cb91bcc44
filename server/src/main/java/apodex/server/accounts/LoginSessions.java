package apodex.server.accounts;

import java.time.Duration;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Where people are signed in: kept in the database, so that any server ends them and none forgets them. */
@Component
class LoginSessions {
    private final JdbcTemplate database;
    private final Duration longest;

    LoginSessions(JdbcTemplate database, @Value("${apodex.login}") Duration longest) {
        this.longest = longest;
        this.database = database;
    }

    /** However much it is used, who came in has to come in again after a while (ASVS 3.3.2). */
    @Scheduled(fixedDelay = 5, timeUnit = TimeUnit.MINUTES)
    void endOld() {
        database.update(
                "DELETE FROM SPRING_SESSION WHERE CREATION_TIME < ?", System.currentTimeMillis() - longest.toMillis());
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
