package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff.Choice;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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
            if (chain.kind() != RowKind.BUS || !at.goesOut(chain) || Notes.says(chain, NOTE)) {
                continue;
            }
            List<Row> inputs = Routing.besides(at.session(), chain).stream()
                    .filter(row -> at.goesOut(row))
                    .toList();
            boolean addsUp = isAtFader(at, chain) && inputs.stream().allMatch(row -> isAtFader(at, row));
            if (!inputs.isEmpty() && !addsUp) {
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
                                "Its parts: each at Fader, to be added as they were", parts(at, chain, inputs)))
                        .offering(output(at, chain, inputs))
                        .offering(Remedy.printing(
                                "Leave " + chain.name() + " out", Adjustment.leavingOut(Choices.of(at, chain))))
                        .offering(Notes.add("Say so on the sheet", chain, NOTE)));
            }
        }
    }

    /** Whether a row is printed with its fader and nothing beyond it. */
    private static boolean isAtFader(Look at, Row row) {
        return at.plan().stream()
                .flatMap(plan -> plan.rows().stream()
                        .filter(planned -> planned.row().equals(row.id()))
                        .map(planned ->
                                planned.nearest(Station.FADER).map(Set::of).filter(plan.stationsOf(row.id())::equals)))
                .anyMatch(Optional::isPresent);
    }

    /** What feeds the chain and the chain itself, with their faders: laid together they are what they were. */
    private static Adjustment parts(Look at, Row chain, List<Row> inputs) {
        List<Row> all = new ArrayList<>(inputs);
        all.add(chain);
        List<Choice> faders = Choices.at(Station.FADER, all);
        List<Choice> others = new ArrayList<>(Choices.of(at, all));
        others.removeAll(faders);
        return new Adjustment(faders, others, null, null, null, null);
    }

    /** What they are together: the first bus that holds all of them, or else the chain in their place. */
    private static Remedy output(Look at, Row chain, List<Row> inputs) {
        List<Row> all = new ArrayList<>(inputs);
        all.add(chain);
        return Routing.downstream(at.session(), chain, Routing.Through.OUTPUTS).stream()
                .filter(bus -> bus.kind() == RowKind.BUS
                        && inputs.stream()
                                .allMatch(input -> input.strip().outputs().contains(bus.id())))
                .findFirst()
                .map(bus -> Remedy.printing(
                        "Its output: " + bus.name() + " in the place of all of them",
                        new Adjustment(
                                List.of(new Choice(bus.id(), Station.RAW)),
                                Choices.of(at, all),
                                null,
                                null,
                                null,
                                null)))
                .orElseGet(() -> Remedy.printing(
                        "Its output alone: leave out what feeds it", Adjustment.leavingOut(Choices.of(at, inputs))));
    }
}
