package apodex.server.sessions;

import apodex.session.Session;
import apodex.session.SessionEdit;
import jakarta.annotation.Nullable;

/**
 * A step in a session's history.
 *
 * @param description what made the session that is shown now, for the words on the undo button
 * @param edit        the edit; null for what was not one (import, undo, redo)
 * @param undoTo      revision whose session undo brings back; null at the beginning
 * @param redoTo      revision whose session redo brings back; null unless this was an undo
 */
record Revision(
        String sessionId,
        int revision,
        String description,
        @Nullable SessionEdit edit,
        Session session,
        @Nullable Integer undoTo,
        @Nullable Integer redoTo) {

    private static final int LONGEST = 250;

    static Revision first(String sessionId, Session session, String description) {
        return new Revision(sessionId, 1, description, null, session, null, null);
    }

    Revision after(SessionEdit edit) {
        Session after = edit.applyTo(session); // refuses first what could not even be described
        return new Revision(sessionId, revision + 1, shown(edit.describe(session)), edit, after, revision, null);
    }

    /** As long as the history keeps it. */
    private static String shown(String description) {
        return description.length() <= LONGEST ? description : description.substring(0, LONGEST - 1) + "…";
    }

    /** @param earlier the revision that {@link #undoTo} names */
    Revision undo(Revision earlier) {
        return new Revision(
                sessionId, revision + 1, earlier.description, null, earlier.session, earlier.undoTo, revision);
    }

    /** @param later the revision that {@link #redoTo} names */
    Revision redo(Revision later) {
        return new Revision(sessionId, revision + 1, later.description, null, later.session, revision, later.redoTo);
    }
}
