package apodex.parcel;

import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.Print;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Every effect of the session with everything that is set on it, those of buses, returns and mix too, and whether files hold it. */
final class EffectsTable {
    private EffectsTable() {}

    /** A line for each; empty when there is none. @param session as the handoff sees it */
    static Optional<Sheet.Table> of(Session session, Plan plan) {
        List<List<String>> lines = new ArrayList<>();
        for (PlanRow planned : plan.rows()) {
            Row row = session.row(planned.row()).orElseThrow();
            for (Insert insert : row.strip().inserts()) {
                lines.add(List.of(
                        number(planned) + row.name(),
                        InsertWords.name(insert),
                        InsertWords.settings(session, insert),
                        heldIn(plan, row, insert)));
            }
            if (row.clips().stream().anyMatch(clip -> !clip.inserts().isEmpty())) {
                row.clips().stream()
                        .flatMap(clip -> clip.inserts().stream())
                        .distinct()
                        .forEach(insert -> lines.add(List.of(
                                number(planned) + row.name() + ", on clips",
                                InsertWords.name(insert),
                                InsertWords.settings(session, insert),
                                insert.on() ? stations(plan, row, Station.SHAPED) : "switched off")));
            }
        }
        return lines.isEmpty()
                ? Optional.empty()
                : Optional.of(new Sheet.Table(
                        List.of("Row", "Effect", "Set to", "Is in files at"),
                        List.of(false, false, false, false),
                        lines));
    }

    private static String number(PlanRow row) {
        return row.kind() == RowKind.MIX ? "" : String.format(Locale.ROOT, "%02d ", row.number());
    }

    private static String heldIn(Plan plan, Row row, Insert insert) {
        if (!insert.on()) {
            return "switched off";
        }
        TreeSet<Station> holding = plan.prints().stream()
                .filter(print -> print.row().equals(row.id()) && LeftOut.isIn(row.strip(), insert, print.station()))
                .map(Print::station)
                .collect(Collectors.toCollection(TreeSet::new));
        List<String> words =
                new ArrayList<>(holding.stream().map(Station::label).toList());
        Station through = row.kind() == RowKind.MIX ? Station.MIX : Station.BUS;
        boolean carried = row.kind().isSum()
                && plan.prints().stream()
                        .anyMatch(print ->
                                !print.row().equals(row.id()) && print.station().compareTo(through) >= 0);
        if (carried) {
            words.add("rows’ " + through.label());
        }
        return words.isEmpty() ? "none" : String.join(", ", words);
    }

    private static String stations(Plan plan, Row row, Station first) {
        String words = plan.prints().stream()
                .filter(print -> print.row().equals(row.id()) && print.station().compareTo(first) >= 0)
                .map(Print::station)
                .distinct()
                .sorted()
                .map(Station::label)
                .collect(Collectors.joining(", "));
        return words.isEmpty() ? "none" : words;
    }
}
