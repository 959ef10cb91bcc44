package apodex.check;

import apodex.session.Row;
import java.util.List;
import java.util.stream.Collectors;

/** Rows in sentences. */
final class RowNames {
    private static final int NAMED = 4;

    private RowNames() {}

    /** {@code Tuba, Dulcimer and 3 more} */
    static String of(List<? extends Row> rows) {
        if (rows.size() > NAMED) {
            return rows.stream().limit(NAMED - 1).map(Row::name).collect(Collectors.joining(", ")) + " and "
                    + (rows.size() - NAMED + 1) + " more";
        }
        int last = rows.size() - 1;
        return last < 1
                ? rows.stream().map(Row::name).collect(Collectors.joining())
                : rows.stream().limit(last).map(Row::name).collect(Collectors.joining(", ")) + " and "
                        + rows.get(last).name();
    }

    /** {@code 1 row}, {@code 3 rows} */
    static String count(int number, String one) {
        return number + " " + one + (number == 1 ? "" : "s");
    }
}
