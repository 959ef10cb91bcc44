package apodex.handoff;

import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;

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

    private static double own(Handoff handoff, Row row) {
        Double trim = handoff.row(row.id()).trimDb();
        return trim == null ? 0 : trim;
    }
}
