package apodex.session;

import java.util.UUID;

/** Ids for new rows. */
public final class RowIds {
    private static final int DIGITS = 10;

    private RowIds() {}

    /**
     * One that no row of any session ever had: what a handoff says of a row that was removed must not come to another that was made
     * later, not even after undo.
     */
    public static String fresh() {
        return "r" + UUID.randomUUID().toString().replace("-", "").substring(0, DIGITS);
    }
}
