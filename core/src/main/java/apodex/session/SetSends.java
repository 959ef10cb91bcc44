package apodex.session;

import java.util.List;

/** Gives the sends of a row. */
public record SetSends(String row, List<Send> sends) implements SessionEdit {
    @Override
    public Session change(Session session) {
        SessionEdit.row(session, row);
        return session.withRow(row, before -> before.withStrip(before.strip().withSends(sends)));
    }

    @Override
    public String describe(Session before) {
        return "Change the sends of " + SessionEdit.named(before, row);
    }
}
