package apodex.check;

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

/** Voices scattered among other rows, or the two sides of a pair apart. */
final class RowOrder extends Check {
    RowOrder() {
        super("rowOrder");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<Row> rows = at.sources();
        scattered(rows, row -> Roles.of(row) == Role.VOICES).ifPresent(strays -> {
            Row after = lastOfFirstRun(rows, row -> Roles.of(row) == Role.VOICES);
            found.accept(Finding.of(
                            this,
                            Severity.KNOW,
                            "Voices apart",
                            RowNames.of(strays) + (strays.size() == 1 ? " stands" : " stand")
                                    + " away from the other voices.",
                            Look.ids(strays))
                    .offering(Remedy.harmless(
                            "Put the voices together", new MoveRows(Look.ids(strays), next(at, after)))));
        });
        pairs(rows).forEach((left, right) -> {
            if (Math.abs(rows.indexOf(left) - rows.indexOf(right)) > 1) {
                found.accept(Finding.of(
                                this,
                                Severity.KNOW,
                                "A pair apart",
                                left.name() + " and " + right.name() + " do not stand side by side.",
                                List.of(left.id(), right.id()))
                        .offering(Remedy.harmless(
                                "Put them side by side", new MoveRows(List.of(right.id()), next(at, left)))));
            }
        });
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
