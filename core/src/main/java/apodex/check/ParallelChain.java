package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.BusRow;
import apodex.session.Row;
import apodex.session.Routing;
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
            if (!(chain instanceof BusRow) || at.prints(chain).isEmpty() || Notes.says(chain, NOTE)) {
                continue;
            }
            List<Row> inputs = at.session().rows().stream().filter(row -> isBeside(at, row, chain) && !at.prints(row).isEmpty()).toList();
            if (!inputs.isEmpty()) {
                found.accept(Finding.of(this, Severity.LOOK, "A parallel chain with its input", chain.name()
                                + " carries once more what " + RowNames.of(inputs) + " carr" + (inputs.size() == 1 ? "ies" : "y")
                                + "; both are planned. Laid together without the chain's fader they sound doubled.", List.of(chain.id()))
                        .showing(Evidence.route(List.of(inputs.get(0).id(), chain.id(), at.session().mix().id())))
                        .offering(Remedy.printing("Leave " + chain.name() + " out", Adjustment.leavingOut(Choices.of(at, chain))))
                        .offering(Notes.add("Say so on the sheet", chain, NOTE)));
            }
        }
    }

    /** Whether a row feeds the chain and something else that the chain ends in too. */
    private static boolean isBeside(Look at, Row row, Row chain) {
        List<String> outputs = row.strip().outputs();
        if (!outputs.contains(chain.id()) || outputs.size() < 2) {
            return false;
        }
        List<String> after = Look.ids(Routing.downstream(at.session(), chain, Routing.Through.OUTPUTS));
        return outputs.stream().anyMatch(output -> !output.equals(chain.id()) && after.contains(output));
    }
}
