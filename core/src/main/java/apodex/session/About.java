package apodex.session;

/**
 * What people should know of a row and a name should not have to carry.
 *
 * @param role  what it is in the music
 * @param note  microphone, preamplifier, player, what was wrong; may be empty
 * @param named who gave it its name
 */
public record About(Role role, String note, NamedBy named) {
    public static final About NOTHING = new About(Role.OTHER, "", NamedBy.IMPORT);

    public About {
        role = role == null ? Role.OTHER : role;
        note = note == null ? "" : note;
        named = named == null ? NamedBy.IMPORT : named;
    }

    public About withRole(Role other) {
        return new About(other, note, named);
    }

    public About withNote(String other) {
        return new About(role, other, named);
    }

    /** Who named the row last: a name by hand is never changed by the application. */
    public About withNameFrom(NamedBy other) {
        return new About(role, note, other);
    }

    /** The same with something added to the note, once. */
    public About withMoreNote(String more) {
        if (more.isBlank() || note.contains(more)) {
            return this;
        }
        return withNote(note.isBlank() ? more : note + "; " + more);
    }
}
