package apodex.session;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** A session in which only some rows are heard, through all they go through. */
public final class Alone {
    private Alone() {}

    /**
     * Mutes every row that is not heard alone. A bus is heard with all that feeds it; rows that only listen for others
     * stay as they are.
     *
     * @param rows ids of the rows to hear; empty: those that are soloed, or else all
     */
    public static Session of(Session session, Set<String> rows) {
        Set<String> wanted = new HashSet<>(rows);
        if (wanted.isEmpty()) {
            session.rows().stream().filter(row -> row.strip().soloed()).forEach(row -> wanted.add(row.id()));
        }
        if (wanted.isEmpty() || wanted.contains(session.mix().id())) {
            return session;
        }
        Set<String> heard = new HashSet<>(wanted);
        session.rows().stream()
                .filter(row -> Routing.downstream(session, row, Routing.Through.OUTPUTS_AND_SENDS).stream()
                        .anyMatch(each -> wanted.contains(each.id())
                                && !(each.kind() == RowKind.RETURN && row.kind().isSource())))
                .forEach(row -> heard.add(row.id()));
        return session.withRows(session.rows().stream()
                .map(row -> row.kind().isSource() && !heard.contains(row.id()) ? silenced(row) : row)
                .toList());
    }

    private static Row silenced(Row row) {
        Strip strip = row.strip();
        return row.withStrip(strip.withMuteAndSolo(true, strip.soloed()).withSends(List.of()));
    }
}
