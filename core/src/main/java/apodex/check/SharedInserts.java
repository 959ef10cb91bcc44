package apodex.check;

import apodex.effect.Effects;
import apodex.handoff.Print;
import apodex.handoff.Stations;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Inserts of a bus or of the mix that some planned files went through and others did not. */
final class SharedInserts extends Check {
    SharedInserts() {
        super("sharedInserts");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<Row> sums = new ArrayList<>();
        List<String> counts = new ArrayList<>();
        for (Row sum : at.sums()) {
            List<Print> concerned = at.prints().stream()
                    .filter(print -> concerns(at, print, sum))
                    .toList();
            long with =
                    concerned.stream().filter(print -> wentThrough(print, sum)).count();
            long without = concerned.size() - with;
            if (!names(sum).isEmpty() && !Notes.says(sum, note(sum)) && with > 0 && without > 0) {
                sums.add(sum);
                counts.add(names(sum) + ": in " + RowNames.count((int) with, "file") + ", not in " + without);
            }
        }
        if (sums.isEmpty()) {
            return;
        }
        Finding finding = Finding.of(
                this,
                Severity.KNOW,
                "In some files and not in others",
                "The inserts of " + RowNames.of(sums)
                        + " are in some files of the plan and not in others of the same rows.",
                Look.ids(sums));
        for (int i = 0; i < sums.size(); i++) {
            finding = finding.with(sums.get(i).name(), counts.get(i));
        }
        found.accept(finding.offering(Notes.add("Say so on the sheet", sums, SharedInserts::note)));
    }

    private static String names(Row sum) {
        return Stations.active(sum.strip().inserts()).stream()
                .map(insert -> Effects.find(insert.effect()).orElseThrow().name())
                .collect(Collectors.joining(", "));
    }

    private static String note(Row sum) {
        return "its " + names(sum).toLowerCase(Locale.ROOT) + " is not in every file";
    }

    private static boolean concerns(Look at, Print print, Row sum) {
        return at.session()
                .row(print.row()) // the click is of no row
                .filter(row -> row.equals(sum)
                        || Routing.downstream(at.session(), row, Routing.Through.OUTPUTS)
                                .contains(sum))
                .isPresent();
    }

    private static boolean wentThrough(Print print, Row sum) {
        if (print.row().equals(sum.id())) {
            return print.station().compareTo(Station.INSERTS) >= 0;
        }
        return sum.kind() == RowKind.MIX
                ? print.station() == Station.MIX
                : print.station().compareTo(Station.BUS) >= 0;
    }
}
