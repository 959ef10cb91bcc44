package apodex.server.web;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransactionRollbackException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import org.springframework.transaction.TransactionSystemException;

/** Whether something could not be done because the database was not there, or others were at the same rows. */
public final class DatabaseTrouble {
    /** Lock wait, deadlock or a lost certification, a commit that a member of a cluster could not make (MariaDB error codes). */
    private static final Set<Integer> RACES = Set.of(1205, 1213, 1180);
    /** A member of a cluster that has lost the others answers nothing but this; so does one that may only be read. */
    private static final Set<Integer> NOT_NOW = Set.of(1047, 1290, 1927);

    /** The driver went on with another member in the middle of a transaction, which is lost with the first. */
    private static final String LOST_WITH_ITS_MEMBER = "25S03";

    private DatabaseTrouble() {}

    /** Whether the same may well succeed a little later. */
    public static boolean isPassing(Throwable thrown) {
        return isIn(thrown) || isLostRace(thrown);
    }

    public static boolean isIn(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof TransactionSystemException // neither made nor taken back: its connection is gone
                    || cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLNonTransientConnectionException
                    || cause instanceof SQLException sql
                            && (NOT_NOW.contains(sql.getErrorCode())
                                    || LOST_WITH_ITS_MEMBER.equals(sql.getSQLState()))) {
                return true;
            }
        }
        return false;
    }

    /** Whether others were at the same rows at the same time and were first; nothing was changed, and it can be tried again. */
    public static boolean isLostRace(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLTransactionRollbackException
                    || cause instanceof SQLException sql && RACES.contains(sql.getErrorCode())) {
                return true;
            }
        }
        return false;
    }
}
