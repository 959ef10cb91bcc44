package apodex.check;

import apodex.handoff.Handoff.Choice;
import apodex.session.Row;
import apodex.session.Station;
import java.util.Collection;
import java.util.List;

/** Files of the plan, as adjustments name them. */
final class Choices {
    private Choices() {}

    /** Every planned file of a row. */
    static List<Choice> of(Look at, Row row) {
        return at.prints(row).stream()
                .map(print -> new Choice(row.id(), print.station()))
                .distinct()
                .toList();
    }

    /** Every planned file of these rows. */
    static List<Choice> of(Look at, Collection<? extends Row> rows) {
        return rows.stream().flatMap(row -> of(at, row).stream()).toList();
    }

    static List<Choice> at(Station station, Collection<? extends Row> rows) {
        return rows.stream().map(row -> new Choice(row.id(), station)).toList();
    }
}
