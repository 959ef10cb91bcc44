package apodex.session;

/** Gives a row another name. */
public record RenameRow(String row, String name) implements SessionEdit {
    @Override
    public Session applyTo(Session session) {
        if (session.row(row).isEmpty()) {
            throw new EditRefused("row", "There is no row “" + row + "” in this session.");
        }
        String checked = NameRule.check("name", name);
        return session.withRow(row, before -> before.withName(checked));
    }

    @Override
    public String describe(Session before) {
        return "Rename “" + before.row(row).map(Row::name).orElse(row) + "”";
    }
}
