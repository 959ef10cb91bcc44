package apodex.check;

import apodex.handoff.Handoff.Choice;
import apodex.session.Row;
import apodex.session.Station;
import java.util.Collection;
import java.util.List;
import java.util.Set;

/** Files of the plan, as adjustments name them. */
final class Choices {
    private Choices() {}

    /** Everything planned of a row. */
    static List<Choice> of(Look at, Row row) {
        return at.plan().map(plan -> plan.stationsOf(row.id())).orElse(Set.of()).stream()
                .map(station -> new Choice(row.id(), station))
                .toList();
    }

    /** Everything planned of these rows. */
    static List<Choice> of(Look at, Collection<? extends Row> rows) {
        return rows.stream().flatMap(row -> of(at, row).stream()).toList();
    }

    static List<Choice> at(Station station, Collection<? extends Row> rows) {
        return rows.stream().map(row -> new Choice(row.id(), station)).toList();
    }
}
