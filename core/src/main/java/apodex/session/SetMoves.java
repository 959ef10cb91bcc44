package apodex.session;

import java.util.List;

/** Gives the moves of a row; an empty lane leaves the still value. */
public record SetMoves(String row, List<Move> faderMoves, List<Move> panMoves) implements SessionEdit {
    @Override
    public Session change(Session session) {
        SessionEdit.row(session, row);
        return session.withRow(row, before -> before.withStrip(before.strip().withMoves(faderMoves, panMoves)));
    }

    @Override
    public String describe(Session before) {
        return "Change the moves of " + SessionEdit.named(before, row);
    }
}
