package apodex.session;

/** Ids for new rows. */
public final class RowIds {
    private RowIds() {}

    /** The first of {@code r1}, {@code r2}... after which no row of the session uses a higher one. */
    public static String next(Session session) {
        int highest = 0;
        for (Row row : session.rows()) {
            if (row.id().matches("r[0-9]{1,8}")) {
                highest = Math.max(highest, Integer.parseInt(row.id().substring(1)));
            }
        }
        return "r" + (highest + 1);
    }
}
