package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Folders;
import apodex.handoff.PlanRow;
import apodex.session.MoveRows;
import apodex.session.Role;
import apodex.session.Row;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Voices scattered among other rows, or the two sides of a pair apart. */
final class RowOrder extends Check {
    RowOrder() {
        super("rowOrder");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<Row> rows = at.sourcesInOrder();
        boolean together = at.handoff().settled().folders() == Folders.ROLE; // whatever their order
        Optional<List<Row>> apart = together ? Optional.empty() : scattered(rows, row -> Roles.of(row) == Role.VOICES);
        apart.ifPresent(strays -> {
            Row after = lastOfFirstRun(rows, row -> Roles.of(row) == Role.VOICES);
            found.accept(Finding.of(
                            this,
                            Severity.KNOW,
                            "Voices apart",
                            RowNames.of(strays) + (strays.size() == 1 ? " stands" : " stand")
                                    + " away from the other voices.",
                            Look.ids(strays))
                    .offering(moving(at, "Put the voices together", strays, after)));
        });
        pairs(rows).forEach((left, right) -> {
            if (Math.abs(rows.indexOf(left) - rows.indexOf(right)) > 1) {
                found.accept(Finding.of(
                                this,
                                Severity.KNOW,
                                "A pair apart",
                                left.name() + " and " + right.name() + " do not stand side by side.",
                                List.of(left.id(), right.id()))
                        .offering(moving(at, "Put them side by side", List.of(right), left)));
            }
        });
    }

    /** In the session, unless the handoff has an order of its own. */
    private static Remedy moving(Look at, String label, List<Row> rows, Row behind) {
        if (at.handoff().order().isEmpty()) {
            return Remedy.harmless(label, new MoveRows(Look.ids(rows), next(at, behind)));
        }
        List<String> order = at.plan().orElseThrow().rows().stream()
                .map(PlanRow::row)
                .collect(Collectors.toCollection(ArrayList::new));
        order.removeAll(Look.ids(rows));
        order.addAll(order.indexOf(behind.id()) + 1, Look.ids(rows));
        return Remedy.printing(label, Adjustment.inOrder(order));
    }

    /** The row a moved row must come before to stand right after {@code row}. */
    private static String next(Look at, Row row) {
        List<Row> all = at.session().rows();
        return all.get(all.indexOf(row) + 1).id();
    }

    private static Row lastOfFirstRun(List<Row> rows, Predicate<Row> is) {
        Row last = null;
        for (Row row : rows) {
            if (is.test(row)) {
                last = row;
            } else if (last != null) {
                break;
            }
        }
        return last;
    }

    private static Optional<List<Row>> scattered(List<Row> rows, Predicate<Row> is) {
        Row last = lastOfFirstRun(rows, is);
        List<Row> strays = last == null
                ? List.of()
                : rows.subList(rows.indexOf(last) + 1, rows.size()).stream()
                        .filter(is)
                        .toList();
        return strays.isEmpty() ? Optional.empty() : Optional.of(strays);
    }

    private static Map<Row, Row> pairs(List<Row> rows) {
        Map<Row, Row> pairs = new LinkedHashMap<>();
        List<Row> open = new ArrayList<>(rows);
        for (Row left : rows) {
            if (left.name().endsWith(" L")) {
                String other = left.name().substring(0, left.name().length() - 1) + "R";
                open.stream()
                        .filter(row -> row.name().equals(other))
                        .findFirst()
                        .ifPresent(right -> pairs.put(left, right));
            }
        }
        return pairs;
    }
}
