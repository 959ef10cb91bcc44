package apodex.check;

import apodex.handoff.Print;
import apodex.handoff.Stations;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Routing;
import apodex.signal.Station;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Inserts of a bus or of the mix that some planned files went through and others did not. */
final class SharedInserts extends Check {
    SharedInserts() {
        super("sharedInserts", Needs.PLAN);
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row sum : at.sums()) {
            String names = Stations.active(sum.strip().inserts()).stream().map(insert -> apodex.effect.Effects.find(insert.effect()).orElseThrow().name())
                    .collect(Collectors.joining(", "));
            String note = "its " + names.toLowerCase(java.util.Locale.ROOT) + " is not in every file";
            if (names.isEmpty() || Notes.says(sum, note)) {
                continue;
            }
            List<Print> concerned = at.prints().stream().filter(print -> concerns(at, print, sum)).toList();
            long with = concerned.stream().filter(print -> wentThrough(print, sum)).count();
            long without = concerned.size() - with;
            if (with > 0 && without > 0) {
                found.accept(Finding.of(this, Severity.KNOW, "In some files and not in others", names + " of " + at.called(sum)
                                + (with == 1 ? " is in 1 file" : " is in " + with + " files") + " of the plan and not in " + without + " other"
                                + (without == 1 ? "" : "s") + " of the same rows.", List.of(sum.id()))
                        .with("With it", Long.toString(with)).with("Without it", Long.toString(without))
                        .offering(Notes.add("Say so on the sheet", sum, note)));
            }
        }
    }

    private static boolean concerns(Look at, Print print, Row sum) {
        Row row = at.session().row(print.row()).orElseThrow();
        return row.equals(sum) || Routing.downstream(at.session(), row, Routing.Through.OUTPUTS).contains(sum);
    }

    private static boolean wentThrough(Print print, Row sum) {
        if (print.row().equals(sum.id())) {
            return print.station().compareTo(Station.INSERTS) >= 0;
        }
        return sum instanceof MixRow ? print.station() == Station.MIX : print.station().compareTo(Station.BUS) >= 0;
    }
}
