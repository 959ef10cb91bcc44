package apodex.handoff;

import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import java.util.HashMap;
import java.util.Map;

/** What a handoff turns up or down on the way into files. */
final class Trims {
    private Trims() {}

    /** A row's own trim and those of the buses it feeds, in dB. */
    static double of(Session session, Handoff handoff, Row row) {
        double trim = own(handoff, row);
        for (Row bus : Routing.downstream(session, row, Routing.Through.OUTPUTS)) {
            if (!bus.equals(session.mix())) {
                trim += own(handoff, bus);
            }
        }
        return trim;
    }

    /** Every file louder or quieter by so much, the balance kept: what buses add is taken off the rows that feed them. */
    static Handoff turned(Session session, Handoff handoff, double db) {
        Map<String, Double> changes = new HashMap<>();
        Handoff turned = handoff;
        for (Row row : session.rows()) {
            double trim = rounded(own(handoff, row) + change(session, row, db, changes));
            turned = turned.withRow(row.id(), each -> each.withTrim(trim == 0 ? null : trim));
        }
        return turned;
    }

    private static double change(Session session, Row row, double db, Map<String, Double> changes) {
        Double known = changes.get(row.id());
        if (known != null) {
            return known;
        }
        changes.put(row.id(), 0.0); // while it is worked out: a session may be routed in circles
        double change = db;
        for (Row bus : Routing.downstream(session, row, Routing.Through.OUTPUTS)) {
            change -= bus.equals(session.mix()) ? 0 : change(session, bus, db, changes);
        }
        changes.put(row.id(), change);
        return change;
    }

    private static double rounded(double db) {
        return Math.rint(100 * db) / 100;
    }

    private static double own(Handoff handoff, Row row) {
        Double trim = handoff.row(row.id()).trimDb();
        return trim == null ? 0 : trim;
    }
}
