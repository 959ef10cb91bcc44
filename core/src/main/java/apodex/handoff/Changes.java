package apodex.handoff;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/** Says in words what a handoff asks for otherwise than it did. */
public final class Changes {
    /** Settings of which it is said above what they are and were. */
    private static final List<String> SAID_IN_FULL = List.of(
            "the sample format",
            "the rate",
            "the kind of file",
            "the lead-in",
            "the count",
            "the tail",
            "returns",
            "shared dynamics");

    private Changes() {}

    /** One sentence for each kind of difference; empty for none. */
    public static List<String> between(Handoff before, Handoff now, Plan planBefore, Plan planNow) {
        List<String> said = new ArrayList<>();
        if (!before.brief().name().equals(now.brief().name())) {
            said.add("The brief is “" + now.brief().name() + "” in place of “"
                    + before.brief().name() + "”.");
        } else if (!before.brief().equals(now.brief())) {
            said.add("The brief “" + now.brief().name() + "” asks for something else.");
        }
        Settings old = before.settled();
        Settings set = now.settled();
        differs(
                said,
                planBefore.depth().sample().label(),
                planNow.depth().sample().label(),
                "Sample format");
        differs(said, planBefore.rate().label(), planNow.rate().label(), "Rate");
        differs(said, old.format().label(), set.format().label(), "Kind of file");
        differs(said, bars(old), bars(set), "Lead-in");
        differs(said, tail(old), tail(set), "Tail");
        if (!planBefore.sharing().equals(planNow.sharing())) {
            said.add("Returns and shared dynamics are treated otherwise.");
        }
        if (!before.sections().equals(now.sections())) {
            said.add("Another range.");
        }
        List<String> others = old.differences(set);
        others.removeAll(SAID_IN_FULL);
        if (!others.isEmpty()) {
            said.add("Set otherwise: " + some(others) + ".");
        }
        List<String> gone = missing(planNow, planBefore);
        List<String> added = missing(planBefore, planNow);
        if (!added.isEmpty()) {
            said.add("New: " + some(added) + ".");
        }
        if (!gone.isEmpty()) {
            said.add("No longer: " + some(gone) + ".");
        }
        if (!before.byRow().equals(now.byRow())) {
            said.add("Set by hand otherwise: " + some(rows(before.byRow(), now.byRow(), planNow)) + ".");
        }
        return said;
    }

    private static List<String> missing(Plan from, Plan in) {
        List<String> paths = from.prints().stream().map(Print::path).toList();
        return in.prints().stream()
                .map(Print::path)
                .filter(path -> !paths.contains(path))
                .toList();
    }

    private static List<String> rows(Map<String, RowByHand> before, Map<String, RowByHand> now, Plan plan) {
        return plan.rows().stream()
                .filter(row -> !Objects.equals(before.get(row.row()), now.get(row.row())))
                .map(PlanRow::name)
                .toList();
    }

    private static void differs(List<String> said, String before, String now, String what) {
        if (!before.equals(now)) {
            said.add(what + ": " + now + " in place of " + before + ".");
        }
    }

    private static String bars(Settings set) {
        return set.leadInBars() == 0
                ? "none"
                : set.leadInBars() + (set.leadInBars() == 1 ? " bar" : " bars") + (set.count() ? " counted" : "");
    }

    private static String tail(Settings set) {
        return set.tailSeconds() == null ? "until quiet" : set.tailSeconds() + " s";
    }

    /** The first few, and how many more. */
    static String some(List<String> names) {
        String shown = names.stream().limit(4).collect(Collectors.joining(", "));
        return names.size() > 4 ? shown + " and " + (names.size() - 4) + " more" : shown;
    }
}
