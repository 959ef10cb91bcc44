package apodex.session;

import java.util.List;

/** Says what a row feeds: buses, the mix, or nothing. */
public record SetOutputs(String row, List<String> outputs) implements SessionEdit {
    @Override
    public Session change(Session session) {
        SessionEdit.row(session, row);
        return session.withRow(row, before -> before.withStrip(before.strip().withOutputs(outputs)));
    }

    @Override
    public String describe(Session before) {
        return "Route " + SessionEdit.named(before, row);
    }
}
