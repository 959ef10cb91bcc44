package apodex.session;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Puts a second row like this one after it, under the next free number of its name. */
public record DuplicateRow(String row) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Row source = SessionEdit.row(session, row);
        if (source.kind() == RowKind.MIX || source.kind() == RowKind.PART) {
            throw new EditRefused(
                    "row",
                    "“" + source.name() + "” is there once: "
                            + (source.kind() == RowKind.MIX ? "a session has one mix." : "a part sounds on one row."));
        }
        Row copy = RowIds.under(RowIds.fresh(), source).withName(freeName(session, source.name()));
        List<Row> rows = session.rows();
        Row next = rows.get(rows.indexOf(source) + 1);
        return new AddRow(copy, next.id()).change(session);
    }

    private static String freeName(Session session, String name) {
        Set<String> taken = session.rows().stream().map(Row::name).collect(Collectors.toSet());
        String stem = name.replaceFirst(" \\d{1,3}$", "");
        int number = 2;
        while (taken.contains(stem + " " + number)) {
            number++;
        }
        return stem + " " + number;
    }

    @Override
    public String describe(Session before) {
        return "Duplicate " + SessionEdit.named(before, row);
    }
}
