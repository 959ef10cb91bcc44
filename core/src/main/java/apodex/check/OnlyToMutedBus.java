package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.SetFader;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** A planned row that reaches the mix only through rows that are muted. */
final class OnlyToMutedBus extends Check {
    OnlyToMutedBus() {
        super("onlyToMutedBus");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.sources()) {
            if (row.strip().muted() || !at.goesOut(row)) {
                continue;
            }
            Set<Row> muted = new LinkedHashSet<>();
            if (!reaches(at, row, muted, new LinkedHashSet<>()) && !muted.isEmpty()) {
                Row bus = muted.iterator().next();
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Goes only to a muted bus",
                                at.called(row) + " is heard nowhere, because " + bus.name() + " is muted.",
                                List.of(row.id(), bus.id()))
                        .showing(Evidence.route(new ArrayList<>(List.of(row.id(), bus.id()))))
                        .offering(Remedy.changing(
                                "Unmute " + bus.name(),
                                new SetFader(
                                        bus.id(),
                                        bus.strip().faderDb(),
                                        bus.strip().pan(),
                                        false,
                                        bus.strip().soloed())))
                        .offering(Remedy.printing(
                                "Leave the row out of the plan", Adjustment.leavingOut(Choices.of(at, row)))));
            }
        }
    }

    /** Whether the mix is reached without a muted row on the way; those that stood in the way are collected. */
    private static boolean reaches(Look at, Row row, Set<Row> muted, Set<String> seen) {
        boolean reached = false;
        List<String> next = new ArrayList<>(row.strip().outputs());
        row.strip().sends().forEach(send -> next.add(send.to()));
        for (String id : next) {
            Row target = at.session().row(id).orElseThrow();
            if (target.kind() == RowKind.MIX) {
                reached = true;
            } else if (target.strip().muted()) {
                muted.add(target);
            } else if (seen.add(id)) {
                reached |= reaches(at, target, muted, seen);
            }
        }
        return reached;
    }
}
