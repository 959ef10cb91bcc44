package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Insert;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.SetFader;
import apodex.session.SetOutputs;
import apodex.session.Strip;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** A row with sound that is planned and whose way never reaches the mix. */
final class GoesNowhere extends Check {
    GoesNowhere() {
        super("goesNowhere");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        Set<String> keys = keys(at);
        for (Row row : at.session().rows()) {
            if (row.kind() == RowKind.MIX
                    || row.strip().muted()
                    || !at.hasContent(row)
                    || keys.contains(row.id())
                    || at.plan().isPresent() && !at.goesOut(row)
                    || Roles.of(row).isBesideTheMusic()) {
                continue;
            }
            List<Row> way = Routing.downstream(at.session(), row, Routing.Through.OUTPUTS_AND_SENDS);
            if (!way.contains(at.session().mix())) {
                Strip strip = row.strip();
                List<String> route = new java.util.ArrayList<>(List.of(row.id()));
                way.forEach(each -> route.add(each.id()));
                found.accept(Finding.of(
                                this,
                                Severity.STOPS,
                                "Goes nowhere",
                                at.called(row)
                                        + (way.isEmpty()
                                                ? " feeds no bus and not the mix."
                                                : " ends at "
                                                        + way.get(way.size() - 1)
                                                                .name() + ", which does not reach the mix.")
                                        + " Nobody hears it in the reference mix.",
                                List.of(row.id()))
                        .showing(Evidence.route(route))
                        .offering(Remedy.changing(
                                "Feed the mix",
                                new SetOutputs(
                                        row.id(), List.of(at.session().mix().id()))))
                        .offering(Remedy.harmless(
                                "Mute it, as it is not heard",
                                new SetFader(row.id(), strip.faderDb(), strip.pan(), true, strip.soloed())))
                        .offering(Remedy.printing(
                                "Leave it out of the plan", Adjustment.leavingOut(Choices.of(at, row)))));
            }
        }
    }

    /** Ids of rows that some effect takes its key from. */
    private static Set<String> keys(Look at) {
        return at.session().rows().stream()
                .flatMap(row -> row.strip().inserts().stream())
                .map(Insert::key)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
    }
}
