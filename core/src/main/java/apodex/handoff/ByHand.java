package apodex.handoff;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/** Says in words what of a handoff was set by hand, beside what its brief asks for. */
public final class ByHand {
    private ByHand() {}

    /** One phrase for each kind of thing; empty when all is as the brief has it. */
    public static List<String> of(Handoff handoff, Plan plan) {
        List<String> said = new ArrayList<>();
        count(
                said,
                handoff.added().stream()
                        .filter(choice -> !isAsked(plan, choice))
                        .distinct()
                        .count(),
                "file added",
                "files added");
        count(
                said,
                handoff.leftOut().stream()
                        .filter(choice -> isAsked(plan, choice))
                        .distinct()
                        .count(),
                "file left out",
                "files left out");
        rows(said, handoff, "trim", row -> row.trimDb() != null);
        rows(said, handoff, "channels", row -> row.sides() != null);
        rows(said, handoff, "kept inserts", row -> !row.kept().isEmpty());
        rows(said, handoff, "words in names", row -> !row.words().isEmpty());
        rows(said, handoff, "takes", row -> row.takes() != null);
        if (!handoff.order().isEmpty()) {
            said.add("the order of rows");
        }
        if (!handoff.sections().isEmpty()) {
            said.add(
                    handoff.sections().size() == 1
                            ? "the range"
                            : handoff.sections().size() + " sections");
        }
        said.addAll(handoff.settings().said());
        return said;
    }

    /** The handoff without files that its brief asks for anyway, or does not ask for anyway. */
    public static Handoff only(Handoff handoff, Plan plan) {
        return handoff.withFiles(
                handoff.added().stream()
                        .filter(choice -> !isAsked(plan, choice))
                        .toList(),
                handoff.leftOut().stream()
                        .filter(choice -> isAsked(plan, choice))
                        .toList());
    }

    private static boolean isAsked(Plan plan, Handoff.Choice choice) {
        return plan.rows().stream()
                .anyMatch(row -> row.row().equals(choice.row()) && row.asked().contains(choice.station()));
    }

    private static void rows(List<String> said, Handoff handoff, String what, Predicate<RowByHand> is) {
        long rows = handoff.byRow().values().stream().filter(is).count();
        if (rows > 0) {
            said.add(String.format(Locale.ROOT, "%s of %d row%s", what, rows, rows == 1 ? "" : "s"));
        }
    }

    private static void count(List<String> said, long number, String one, String many) {
        if (number > 0) {
            said.add(number + " " + (number == 1 ? one : many));
        }
    }
}
