package apodex.server.web;

import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;

/** Whether something could not be done because the database was not there. */
public final class DatabaseTrouble {
    private DatabaseTrouble() {}

    public static boolean isIn(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLNonTransientConnectionException) {
                return true;
            }
        }
        return false;
    }
}
