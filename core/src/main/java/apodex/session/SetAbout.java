package apodex.session;

/**
 * Says what a row is in the music, and its note.
 *
 * @param note may be empty; line breaks become blanks
 */
public record SetAbout(String row, Role role, String note) implements SessionEdit {
    public static final int LONGEST_NOTE = 2_000;

    @Override
    public Session change(Session session) {
        SessionEdit.row(session, row);
        String written =
                note == null ? "" : note.replaceAll("[\\p{Cntrl}\\s]+", " ").strip();
        if (written.length() > LONGEST_NOTE) {
            throw new EditRefused(
                    "note", "A note can have " + LONGEST_NOTE + " characters, not " + written.length() + ".");
        }
        return session.withRow(
                row, before -> before.withAbout(before.about().withRole(role).withNote(written)));
    }

    /** No rule is about it. */
    @Override
    public Session applyTo(Session session) {
        return change(session);
    }

    @Override
    public String describe(Session before) {
        boolean sameRole =
                before.row(row).map(each -> each.about().role() == role).orElse(false);
        return (sameRole ? "Change the note of " : "Change the role of ") + SessionEdit.named(before, row);
    }
}
