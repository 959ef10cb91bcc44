package apodex.handoff;

import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * A change of a handoff that leaves the session alone. What is empty or null stays.
 *
 * @param add        files to print as well
 * @param leaveOut   files not to print
 * @param trimsDb    trims to set, by row
 * @param sides      channels to set, by row
 * @param leadInBars bars of silence before the song
 * @param order      rows in the receiver's order, by id
 */
public record Adjustment(
        List<Choice> add,
        List<Choice> leaveOut,
        Map<String, Double> trimsDb,
        Map<String, Sides> sides,
        @Nullable Integer leadInBars,
        @Nullable List<String> order) {
    public Adjustment {
        add = add == null ? List.of() : List.copyOf(add);
        leaveOut = leaveOut == null ? List.of() : List.copyOf(leaveOut);
        trimsDb = trimsDb == null ? Map.of() : Map.copyOf(trimsDb);
        sides = sides == null ? Map.of() : Map.copyOf(sides);
    }

    /** Files to add. */
    public static Adjustment adding(List<Choice> choices) {
        return new Adjustment(choices, null, null, null, null, null);
    }

    /** Files to leave out. */
    public static Adjustment leavingOut(List<Choice> choices) {
        return new Adjustment(null, choices, null, null, null, null);
    }

    /** A row's files raised or lowered by {@code db}, instead of what was set before. */
    public static Adjustment trimming(String row, double db) {
        return new Adjustment(null, null, Map.of(row, db), null, null, null);
    }

    /** How many channels a row's files have. */
    public static Adjustment ofSides(String row, Sides sides) {
        return new Adjustment(null, null, null, Map.of(row, sides), null, null);
    }

    /** Silence of so many bars before the start. */
    public static Adjustment leadingIn(int bars) {
        return new Adjustment(null, null, null, null, bars, null);
    }

    /** Rows in the receiver's order; those not named follow in the session's. */
    public static Adjustment inOrder(List<String> rows) {
        return new Adjustment(null, null, null, null, null, rows);
    }

    /** Both at once; where both set the same, the other's holds. */
    public Adjustment and(Adjustment other) {
        return new Adjustment(
                join(add, other.add),
                join(leaveOut, other.leaveOut),
                join(trimsDb, other.trimsDb),
                join(sides, other.sides),
                other.leadInBars == null ? leadInBars : other.leadInBars,
                other.order == null ? order : other.order);
    }

    private static <T> List<T> join(List<T> some, List<T> others) {
        return Stream.concat(some.stream(), others.stream()).distinct().toList();
    }

    private static <T> Map<String, T> join(Map<String, T> some, Map<String, T> others) {
        Map<String, T> all = new HashMap<>(some);
        all.putAll(others);
        return all;
    }

    /** Files that are wanted by hand and by the brief come out as the brief has them. */
    public Handoff applyTo(Handoff handoff) {
        List<Choice> added = new ArrayList<>(handoff.added());
        List<Choice> out = new ArrayList<>(handoff.leftOut());
        added.removeAll(leaveOut);
        leaveOut.stream().filter(choice -> !out.contains(choice)).forEach(out::add);
        out.removeAll(add);
        add.stream().filter(choice -> !added.contains(choice)).forEach(added::add);
        Handoff adjusted = handoff.withFiles(added, out);
        for (Map.Entry<String, Double> trim : trimsDb.entrySet()) {
            adjusted =
                    adjusted.withRow(trim.getKey(), row -> row.withTrim(trim.getValue() == 0 ? null : trim.getValue()));
        }
        for (Map.Entry<String, Sides> each : sides.entrySet()) {
            adjusted = adjusted.withRow(each.getKey(), row -> row.withSides(each.getValue()));
        }
        adjusted = order == null ? adjusted : adjusted.withOrder(order);
        return leadInBars == null
                ? adjusted
                : adjusted.with(adjusted.settings()
                        .withLeadIn(leadInBars, adjusted.settings().count()));
    }
}
