package apodex.session;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * Takes a row out. What fed a bus then feeds what the bus fed; sends to it and keys from it go; parts of an instrument
 * go with it.
 */
public record RemoveRow(String row) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Row gone = SessionEdit.row(session, row);
        if (gone.kind() == RowKind.MIX) {
            throw new EditRefused("row", "A session cannot be without its mix.");
        }
        List<Row> rows = new ArrayList<>();
        for (Row each : session.rows()) {
            boolean isPartOfIt =
                    each instanceof PartRow part && part.instrument().equals(row);
            if (!each.id().equals(row) && !isPartOfIt) {
                rows.add(each.withStrip(without(gone, each.strip())));
            }
        }
        return session.withRows(rows);
    }

    private Strip without(Row gone, Strip strip) {
        List<String> outputs = strip.outputs().stream()
                .flatMap(output -> output.equals(row) ? gone.strip().outputs().stream() : Stream.of(output))
                .distinct()
                .toList();
        List<Send> sends =
                strip.sends().stream().filter(send -> !send.to().equals(row)).toList();
        List<Insert> inserts = strip.inserts().stream()
                .map(insert -> row.equals(insert.key()) ? insert.keyedBy(null) : insert)
                .toList();
        return strip.withOutputs(outputs).withSends(sends).withInserts(inserts);
    }

    @Override
    public String describe(Session before) {
        return "Remove " + SessionEdit.named(before, row);
    }
}
