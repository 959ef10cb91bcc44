package apodex.handoff;

import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A change of a handoff that leaves the session alone. What is empty or null stays.
 *
 * @param add        files to print as well
 * @param leaveOut   files not to print
 * @param trimsDb    trims to set, by row
 * @param sides      channels to set, by row
 * @param leadInBars bars of silence before the song
 */
public record Adjustment(List<Choice> add, List<Choice> leaveOut, Map<String, Double> trimsDb, Map<String, Sides> sides,
        @Nullable Integer leadInBars) {
    public Adjustment {
        add = add == null ? List.of() : List.copyOf(add);
        leaveOut = leaveOut == null ? List.of() : List.copyOf(leaveOut);
        trimsDb = trimsDb == null ? Map.of() : Map.copyOf(trimsDb);
        sides = sides == null ? Map.of() : Map.copyOf(sides);
    }

    public static Adjustment adding(List<Choice> choices) {
        return new Adjustment(choices, null, null, null, null);
    }

    public static Adjustment leavingOut(List<Choice> choices) {
        return new Adjustment(null, choices, null, null, null);
    }

    public static Adjustment trimming(String row, double db) {
        return new Adjustment(null, null, Map.of(row, db), null, null);
    }

    public static Adjustment ofSides(String row, Sides sides) {
        return new Adjustment(null, null, null, Map.of(row, sides), null);
    }

    public static Adjustment leadingIn(int bars) {
        return new Adjustment(null, null, null, null, bars);
    }

    /** @param plan what the handoff prints as it stands */
    public Handoff applyTo(Handoff handoff, Plan plan) {
        List<Choice> chosen = handoff.chosen();
        if (!add.isEmpty() || !leaveOut.isEmpty()) {
            List<Choice> now = new ArrayList<>(plan.prints().stream()
                    .map(print -> new Choice(print.row(), print.station())).distinct().toList());
            now.removeAll(leaveOut);
            add.stream().filter(choice -> !now.contains(choice)).forEach(now::add);
            chosen = now;
        }
        Map<String, Double> trims = new LinkedHashMap<>(handoff.trimsDb());
        trims.putAll(trimsDb);
        Map<String, Sides> channels = new LinkedHashMap<>(handoff.sides());
        channels.putAll(sides);
        return new Handoff(handoff.name(), handoff.depth(), handoff.format(), handoff.rate(), chosen, handoff.returns(),
                handoff.dynamics(), handoff.range(), leadInBars == null ? handoff.leadInBars() : leadInBars,
                handoff.tailSeconds(), channels, trims, handoff.notes(), handoff.listening(), handoff.naming());
    }
}
