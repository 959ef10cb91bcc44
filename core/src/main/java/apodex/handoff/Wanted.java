package apodex.handoff;

import apodex.handoff.Handoff.Choice;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What a brief asks for of the rows there are. */
final class Wanted {
    private final Outgoing outgoing;
    private final Brief brief;

    Wanted(Outgoing outgoing, Brief brief) {
        this.outgoing = outgoing;
        this.brief = brief;
    }

    /** In the order of the rows. A reference mix of nothing is not wanted. */
    List<Choice> of(List<PlanRow> rows) {
        List<Row> cover =
                switch (brief.rows()) {
                    case ALL -> outgoing.session().rows();
                    case TOP -> Cover.of(outgoing, outgoing::sounds).rows();
                    case INNERMOST ->
                        Cover.of(
                                        outgoing,
                                        row -> outgoing.sounds(row)
                                                && !(row.kind() == RowKind.BUS && outgoing.holdsBuses(row)))
                                .rows();
                };
        Set<String> covering = cover.stream().map(Row::id).collect(Collectors.toSet());
        List<Choice> choices = new ArrayList<>();
        for (PlanRow planned : rows) {
            Row row = outgoing.row(planned.row()).orElseThrow();
            boolean isMix = row.kind() == RowKind.MIX;
            if (isMix ? !choices.isEmpty() : covering.contains(row.id()) || row.kind() == RowKind.RETURN) {
                stations(row, planned).forEach(station -> choices.add(new Choice(planned.row(), station)));
            }
        }
        return choices;
    }

    private Set<Station> stations(Row row, PlanRow planned) {
        Set<Station> found = new LinkedHashSet<>();
        for (Station wanted : brief.at(planned.kind())) {
            if (isHeard(row, wanted)) {
                planned.nearest(wanted).ifPresent(found::add);
            }
        }
        return found;
    }

    private boolean isHeard(Row row, Station station) {
        if (row.kind() == RowKind.MIX) {
            return true;
        }
        return outgoing.sounds(row)
                && switch (station) {
                    case RAW, SHAPED, INSERTS -> true;
                    case FADER -> !row.strip().muted();
                    case BUS, MIX -> outgoing.reachesMix(row);
                };
    }
}
