package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import java.util.List;
import java.util.function.Consumer;

/** A parallel bus planned beside what it is fed from or what it goes into. */
final class ParallelChain extends Check {
    private static final String NOTE = "runs beside what feeds it";

    ParallelChain() {
        super("parallelChain");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row chain : at.session().rows()) {
            if (chain.kind() != RowKind.BUS || at.prints(chain).isEmpty() || Notes.says(chain, NOTE)) {
                continue;
            }
            List<Row> inputs = Routing.besides(at.session(), chain).stream()
                    .filter(row -> !at.prints(row).isEmpty())
                    .toList();
            if (!inputs.isEmpty()) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "A parallel chain with its input",
                                chain.name()
                                        + " carries once more what " + RowNames.of(inputs) + " carr"
                                        + (inputs.size() == 1 ? "ies" : "y")
                                        + "; both are planned. Laid together without the chain's fader they sound doubled.",
                                List.of(chain.id()))
                        .showing(Evidence.route(List.of(
                                inputs.get(0).id(),
                                chain.id(),
                                at.session().mix().id())))
                        .offering(Remedy.printing(
                                "Leave " + chain.name() + " out", Adjustment.leavingOut(Choices.of(at, chain))))
                        .offering(Notes.add("Say so on the sheet", chain, NOTE)));
            }
        }
    }
}
