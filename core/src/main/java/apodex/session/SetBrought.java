package apodex.session;

import java.util.List;

/** Gives what was rendered elsewhere for the stations of a row. */
public record SetBrought(String row, List<Brought> brought) implements SessionEdit {
    public SetBrought {
        brought = brought == null ? List.of() : List.copyOf(brought);
    }

    @Override
    public Session change(Session session) {
        SessionEdit.row(session, row);
        return session.withRow(row, each -> each.withStrip(each.strip().withBrought(brought)));
    }

    @Override
    public String describe(Session before) {
        return "Change what was rendered elsewhere for " + SessionEdit.named(before, row);
    }
}
