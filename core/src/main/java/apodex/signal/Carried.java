package apodex.signal;

import apodex.session.BusRow;
import apodex.session.Routing;
import apodex.session.Routing.Through;
import apodex.session.Row;
import apodex.session.Session;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * What a row takes along to the mix when returns are shared out: what it sends itself, and a bus also what the rows in it
 * send, since they come with it in one file.
 */
public final class Carried {
    private Carried() {}

    /** The row, and of a bus the rows in it. A row that feeds several buses is in the first of them. */
    public static List<Row> senders(Session session, Row row) {
        List<Row> senders = new ArrayList<>(List.of(row));
        if (row instanceof BusRow) {
            session.rows().stream()
                    .filter(each -> !each.equals(row) && isIn(session, each, row))
                    .forEach(senders::add);
        }
        return senders;
    }

    private static boolean isIn(Session session, Row row, Row bus) {
        Row at = row;
        for (int steps = 0;
                steps < session.rows().size() && !at.strip().outputs().isEmpty();
                steps++) {
            at = session.row(at.strip().outputs().get(0)).orElse(null);
            if (at == null || at.equals(bus)) {
                return at != null;
            }
        }
        return false;
    }

    /** Every row that a row's share passes on its way to the mix, the mix included. */
    public static List<Row> through(Session session, Row row, Returns returns) {
        if (returns != Returns.SHARED_OUT) {
            return Routing.downstream(session, row, Through.OUTPUTS);
        }
        Set<Row> through = new LinkedHashSet<>(Routing.downstream(session, row, Through.OUTPUTS_AND_SENDS));
        for (Row sender : senders(session, row)) {
            sender.strip().sends().stream()
                    .flatMap(send -> session.row(send.to()).stream())
                    .forEach(target -> {
                        through.add(target);
                        through.addAll(Routing.downstream(session, target, Through.OUTPUTS_AND_SENDS));
                    });
        }
        return List.copyOf(through);
    }
}
