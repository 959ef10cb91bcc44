package apodex.session;

import java.util.List;

/** Gives the takes of an audio row and says which is heard. */
public record SetTakes(String row, List<Take> takes, String active) implements SessionEdit {
    @Override
    public Session change(Session session) {
        if (SessionEdit.row(session, row).kind() != RowKind.AUDIO) {
            throw new EditRefused("row", "Only audio rows have takes.");
        }
        List<Take> named = (takes == null ? List.<Take>of() : takes)
                .stream()
                        .map(take -> new Take(take.id(), NameRule.check("takes", take.name()), take.clips()))
                        .toList();
        return session.withRow(row, before -> ((AudioRow) before).withTakes(named, active));
    }

    @Override
    public String describe(Session before) {
        return "Change the takes of " + SessionEdit.named(before, row);
    }
}
