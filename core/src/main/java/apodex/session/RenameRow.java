package apodex.session;

import jakarta.annotation.Nullable;

/**
 * Gives a row another name.
 *
 * @param named who says so; null for a person
 */
public record RenameRow(String row, String name, @Nullable NamedBy named) implements SessionEdit {
    /** A name that a person typed. */
    public RenameRow(String row, String name) {
        this(row, name, null);
    }

    @Override
    public Session change(Session session) {
        if (session.row(row).isEmpty()) {
            throw new EditRefused("row", "There is no row “" + row + "” in this session.");
        }
        String checked = NameRule.check("name", name);
        NamedBy who = named == null ? NamedBy.HAND : named;
        return session.withRow(
                row, before -> before.withName(checked).withAbout(before.about().withNameFrom(who)));
    }

    /** No rule is about it. */
    @Override
    public Session applyTo(Session session) {
        return change(session);
    }

    @Override
    public String describe(Session before) {
        return "Rename “" + before.row(row).map(Row::name).orElse(row) + "”";
    }
}
