package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.Together;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/**
 * A fault that several rows share, as one finding with remedies for all of them.
 *
 * @param finding what is told
 * @param parts   what was found row by row; the finding itself where no other row has the fault
 */
public record SharedFault(Finding finding, List<Finding> parts) {
    /** Fewer than this are told one by one. */
    private static final int LEAST = 3;

    public SharedFault {
        parts = List.copyOf(parts);
    }

    /** In the order of the first of each. */
    public static List<SharedFault> of(Session session, List<Finding> findings) {
        Map<String, List<Finding>> alike = new LinkedHashMap<>();
        for (Finding finding : findings) {
            String fault =
                    finding.rows().size() == 1 ? finding.check() + finding.severity() + finding.title() : finding.key();
            alike.computeIfAbsent(fault, each -> new ArrayList<>()).add(finding);
        }
        List<SharedFault> shared = new ArrayList<>();
        alike.values().forEach(some -> {
            if (some.size() == 1 || rows(some).size() < LEAST) {
                some.forEach(finding -> shared.add(new SharedFault(finding, List.of(finding))));
            } else {
                shared.add(new SharedFault(together(session, some), some));
            }
        });
        return shared;
    }

    private static List<String> rows(List<Finding> parts) {
        return parts.stream()
                .flatMap(finding -> finding.rows().stream())
                .distinct()
                .toList();
    }

    private static Finding together(Session session, List<Finding> parts) {
        Finding first = parts.get(0);
        List<Row> rows =
                rows(parts).stream().flatMap(id -> session.row(id).stream()).toList();
        List<Evidence.Figure> figures = new ArrayList<>();
        for (Finding part : parts) {
            String name = session.row(part.rows().get(0)).map(Row::name).orElse("");
            part.evidence().figures().stream()
                    .limit(1)
                    .forEach(figure -> figures.add(new Evidence.Figure(name, figure.value())));
        }
        return new Finding(
                first.check(),
                first.check() + ":shared:" + String.join(",", rows(parts)),
                first.severity(),
                first.title(),
                RowNames.count(rows.size(), "row") + ": " + RowNames.of(rows) + ". The first: " + first.words(),
                rows(parts),
                new Evidence(figures, first.evidence().drawing()),
                remedies(parts));
    }

    /** What is offered for each of them, taken for all at once. */
    private static List<Remedy> remedies(List<Finding> parts) {
        List<Remedy> all = new ArrayList<>();
        Finding first = parts.get(0);
        for (int i = 0; i < first.remedies().size(); i++) {
            int at = i;
            List<Remedy> each = parts.stream()
                    .map(part -> at < part.remedies().size() ? part.remedies().get(at) : null)
                    .filter(Objects::nonNull)
                    .toList();
            boolean alike = each.size() == parts.size()
                    && each.stream().map(SharedFault::what).distinct().count() == 1
                    && areApart(each);
            if (alike) {
                all.add(remedy(each));
            }
        }
        return all;
    }

    /** Whether no two of them set the same row's trim. */
    private static boolean areApart(List<Remedy> each) {
        List<String> trimmed = each.stream()
                .filter(remedy -> remedy.adjustment() != null)
                .flatMap(remedy -> remedy.adjustment().trimsDb().keySet().stream())
                .toList();
        return trimmed.stream().distinct().count() == trimmed.size();
    }

    /** What a remedy does, whatever row and number it names. */
    private static String what(Remedy remedy) {
        return remedy.subject() + " " + remedy.sound() + " "
                + remedy.label().replaceAll("“[^”]*”", "“”").replaceAll("[−-]?\\d+(\\.\\d+)?", "0");
    }

    private static Remedy remedy(List<Remedy> each) {
        Remedy first = each.get(0);
        String labels = each.stream().map(Remedy::label).distinct().count() == 1
                ? first.label() + ", all " + each.size()
                : "For each of " + each.size() + ", as the first: " + first.label();
        if (first.edit() == null) {
            Adjustment sum = each.stream()
                    .map(Remedy::adjustment)
                    .reduce(Adjustment::and)
                    .orElseThrow();
            return new Remedy(labels, first.sound(), null, sum);
        }
        List<SessionEdit> edits = each.stream().map(Remedy::edit).collect(Collectors.toList());
        return new Remedy(
                labels, first.sound(), new Together("Put right in " + RowNames.count(each.size(), "row"), edits), null);
    }
}
