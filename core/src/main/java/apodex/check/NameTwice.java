package apodex.check;

import apodex.naming.SafeName;
import apodex.session.NamedBy;
import apodex.session.RenameRow;
import apodex.session.Row;
import apodex.session.SessionEdit;
import apodex.session.Together;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Rows of the same name; letter case does not tell files apart everywhere. */
final class NameTwice extends Check {
    NameTwice() {
        super("nameTwice");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        Map<String, List<Row>> byName = new LinkedHashMap<>();
        at.session().rows().stream().filter(at::isNamed).forEach(row -> byName.computeIfAbsent(
                        SafeName.clashKey(row.name()), key -> new ArrayList<>())
                .add(row));
        for (List<Row> rows : byName.values()) {
            if (rows.size() > 1) {
                List<SessionEdit> edits = new ArrayList<>();
                int number = 1;
                for (Row row : rows) {
                    while (byName.containsKey(SafeName.clashKey(row.name() + " " + number))) {
                        number++;
                    }
                    edits.add(new RenameRow(row.id(), row.name() + " " + number++, NamedBy.PROPOSAL));
                }
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "The same name twice",
                                RowNames.count(rows.size(), "row") + " are called “"
                                        + rows.get(0).name() + "”.",
                                Look.ids(rows))
                        .offering(Remedy.harmless(
                                "Number them",
                                new Together("Number “" + rows.get(0).name() + "”", edits))));
            }
        }
    }
}
