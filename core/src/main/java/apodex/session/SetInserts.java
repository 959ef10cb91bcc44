package apodex.session;

import apodex.effect.Effects;
import java.util.List;

/** Gives the inserts of a row. An effect that Apodex does not have can stay where it was, but not be added. */
public record SetInserts(String row, List<Insert> inserts) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Row before = SessionEdit.row(session, row);
        for (Insert insert : inserts == null ? List.<Insert>of() : inserts) {
            boolean wasThere = before.strip().inserts().stream()
                    .anyMatch(old -> old.effect().equals(insert.effect()));
            if (!wasThere && Effects.find(insert.effect()).isEmpty()) {
                throw new EditRefused(
                        "inserts", "Apodex has no effect “" + NameRule.shown(String.valueOf(insert.effect())) + "”.");
            }
        }
        return session.withRow(row, each -> each.withStrip(each.strip().withInserts(inserts)));
    }

    @Override
    public String describe(Session before) {
        return "Change the inserts of " + SessionEdit.named(before, row);
    }
}
