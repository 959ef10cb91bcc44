package apodex.check;

import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.SetOutputs;
import java.util.List;
import java.util.function.Consumer;

/** A row that reaches the same bus straight and by way of another bus. */
final class FeedsBusTwice extends Check {
    FeedsBusTwice() {
        super("feedsBusTwice");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            List<String> outputs = row.strip().outputs();
            for (String straight : outputs) {
                Row bus = at.session().row(straight).orElseThrow();
                for (String other : outputs) {
                    Row by = at.session().row(other).orElseThrow();
                    boolean again = !other.equals(straight)
                            && bus.kind() == RowKind.BUS
                            && Routing.downstream(at.session(), by, Routing.Through.OUTPUTS)
                                    .contains(bus);
                    if (again) {
                        found.accept(Finding.of(
                                        this,
                                        Severity.LOOK,
                                        "Feeds a bus twice",
                                        at.called(row) + " feeds " + bus.name() + " straight and through " + by.name()
                                                + ": there it is heard twice.",
                                        List.of(row.id(), bus.id()))
                                .showing(Evidence.route(List.of(row.id(), by.id(), bus.id())))
                                .offering(Remedy.changing(
                                        "Feed it through " + by.name() + " alone",
                                        new SetOutputs(
                                                row.id(),
                                                outputs.stream()
                                                        .filter(output -> !output.equals(straight))
                                                        .toList())))
                                .offering(Remedy.changing(
                                        "Feed it straight alone",
                                        new SetOutputs(
                                                row.id(),
                                                outputs.stream()
                                                        .filter(output -> !output.equals(other))
                                                        .toList()))));
                    }
                }
            }
        }
    }
}
