package apodex.check;

import apodex.naming.RoleGuess;
import apodex.session.Role;
import apodex.session.Row;

/** What rows are in the music. */
final class Roles {
    private Roles() {}

    /** What was said, or else what the name says. */
    static Role of(Row row) {
        return row.about().role() != Role.OTHER
                ? row.about().role()
                : RoleGuess.of(row.name()).orElse(Role.OTHER);
    }
}
