package apodex.check;

import apodex.session.Routing;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Files of a plan that would sound doubled when they are laid together.
 *
 * @param at    the row at which it can be put right
 * @param rows  every row it concerns
 * @param words why, in a sentence
 */
public record Doubling(String at, List<String> rows, String words) {
    private static final List<Check> CHECKS = List.of(new DoubledMembers(), new ParallelChain(), new SameContent());

    public Doubling {
        rows = List.copyOf(rows);
    }

    /** All there is in a plan. */
    public static List<Doubling> in(Look at) {
        List<Finding> findings = new ArrayList<>();
        CHECKS.forEach(check -> check.look(at, findings::add));
        return findings.stream()
                .map(finding ->
                        new Doubling(finding.rows().get(0), List.copyOf(concerned(at, finding)), finding.words()))
                .toList();
    }

    /** The rows that are named, and what feeds them and is planned as well. */
    private static Set<String> concerned(Look at, Finding finding) {
        Set<String> rows = new LinkedHashSet<>(finding.rows());
        finding.rows().forEach(id -> at.session().row(id).stream()
                .flatMap(row -> Routing.feeding(at.session(), row, Routing.Through.OUTPUTS).stream())
                .filter(row -> at.goesOut(row))
                .forEach(row -> rows.add(row.id())));
        return rows;
    }
}
