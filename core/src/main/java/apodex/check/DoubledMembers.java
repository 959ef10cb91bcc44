package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import java.util.List;
import java.util.function.Consumer;

/** A bus planned beside the rows that feed it: laid together they sound doubled. */
final class DoubledMembers extends Check {
    private static final String NOTE = "a guide: do not lay it beside its members";

    DoubledMembers() {
        super("doubledMembers");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row bus : at.session().rows()) {
            if (bus.kind() != RowKind.BUS || !at.goesOut(bus) || Notes.says(bus, NOTE)) {
                continue;
            }
            List<Row> members = Routing.members(at.session(), bus).stream()
                    .filter(row -> at.goesOut(row))
                    .toList();
            if (!members.isEmpty()) {
                List<String> route = List.of(
                        members.get(0).id(), bus.id(), at.session().mix().id());
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Would sound doubled",
                                bus.name() + " and " + (members.size() == 1 ? "its member " : "its members ")
                                        + RowNames.of(members) + " are all planned.",
                                Look.ids(List.of(bus)))
                        .with("Members planned", Integer.toString(members.size()))
                        .showing(Evidence.route(route))
                        .offering(Remedy.printing(
                                "Leave " + bus.name() + " out", Adjustment.leavingOut(Choices.of(at, bus))))
                        .offering(Remedy.printing(
                                "Leave its members out", Adjustment.leavingOut(Choices.of(at, members))))
                        .offering(Notes.add("Mark it as a guide on the sheet", bus, NOTE)));
            }
        }
    }
}
