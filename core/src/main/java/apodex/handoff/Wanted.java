package apodex.handoff;

import apodex.handoff.Handoff.Choice;
import apodex.session.BusRow;
import apodex.session.MixRow;
import apodex.session.ReturnRow;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Returns;
import apodex.signal.Station;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What a brief asks for of the rows there are. */
final class Wanted {
    private final Session session;
    private final Brief brief;
    private final Returns returns;

    Wanted(Session session, Brief brief, Returns returns) {
        this.session = session;
        this.brief = brief;
        this.returns = returns;
    }

    /** In the order of the rows. A reference mix of nothing is not wanted. */
    List<Choice> of(List<PlanRow> rows) {
        List<Choice> choices = new ArrayList<>();
        for (PlanRow row : rows) {
            if (row.kind() != PlanRow.Kind.MIX || !choices.isEmpty()) {
                stations(row).forEach(station -> choices.add(new Choice(row.row(), station)));
            }
        }
        return choices;
    }

    private Set<Station> stations(PlanRow planned) {
        Set<Station> found = new LinkedHashSet<>();
        Row row = session.row(planned.row()).orElseThrow();
        boolean silent = planned.kind() == PlanRow.Kind.AUDIO && planned.peakDbfs() == null;
        if (silent || brief.rows() == Brief.Rows.TOP && !isTop(row)) {
            return found;
        }
        for (Station wanted : brief.at(planned.kind())) {
            if (wanted.compareTo(Station.FADER) >= 0 && row.strip().muted()
                    || wanted.compareTo(Station.BUS) >= 0 && !isHeard(row)) {
                continue;
            }
            planned.stations().stream()
                    .filter(station -> station.compareTo(wanted) <= 0)
                    .reduce((one, later) -> later)
                    .ifPresent(found::add);
        }
        return found;
    }

    /**
     * Rows that together are everything that goes into the mix, nothing twice: those that feed it, but for a bus that such a row
     * feeds as well. What goes that way is in the row's own file; what else is in the bus comes in files of its own.
     */
    private boolean isTop(Row row) {
        if (row instanceof MixRow || row instanceof ReturnRow) {
            return true;
        }
        return feedsMix(row)
                ? !runsBesideItsInput(row)
                : row.strip().outputs().stream()
                        .flatMap(id -> session.row(id).stream())
                        .anyMatch(bus -> feedsMix(bus) && runsBesideItsInput(bus));
    }

    private boolean feedsMix(Row row) {
        return row.strip().outputs().contains(session.mix().id());
    }

    private boolean runsBesideItsInput(Row bus) {
        return bus instanceof BusRow
                && session.rows().stream().anyMatch(row -> row.strip().outputs().contains(bus.id()) && feedsMix(row));
    }

    private boolean isHeard(Row row) {
        return row instanceof MixRow
                || Routing.downstream(
                                session,
                                row,
                                returns == Returns.SHARED_OUT
                                        ? Routing.Through.OUTPUTS_AND_SENDS
                                        : Routing.Through.OUTPUTS)
                        .contains(session.mix());
    }
}
