package apodex.session;

import java.util.List;

/**
 * Several edits as one step: all are made, or none, and one undo takes all back.
 *
 * @param words what they are together, for undo
 * @param edits in order, each made on what the one before left
 */
public record Together(String words, List<SessionEdit> edits) implements SessionEdit {
    private static final int MOST = 5_000;

    public Together {
        edits = edits == null ? List.of() : List.copyOf(edits);
    }

    @Override
    public Session change(Session session) {
        mayBeMade();
        Session after = session;
        for (SessionEdit edit : edits) {
            after = edit.change(after);
        }
        return after;
    }

    /** Rules are asked once for all; only where they are broken it is found out by which edit. */
    @Override
    public Session applyTo(Session session) {
        mayBeMade();
        try {
            return SessionRules.checked(change(session));
        } catch (
                RuntimeException
                        e) { // an edit may trip over what the one before it should not have been allowed to leave
            Session after = session;
            for (SessionEdit edit : edits) {
                after = edit.applyTo(after);
            }
            return SessionRules.checked(after);
        }
    }

    private void mayBeMade() {
        if (edits.isEmpty() || edits.size() > MOST) {
            throw new EditRefused("edits", "A step is made of 1 to " + MOST + " edits, not " + edits.size() + ".");
        }
        NameRule.check("words", words);
    }

    @Override
    public String describe(Session before) {
        return words;
    }
}
