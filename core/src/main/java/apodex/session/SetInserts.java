package apodex.session;

import apodex.effect.Effects;
import java.util.List;

/**
 * Gives the inserts of a row. One that is none of the house's is called as somebody calls it, with what was set in words: it cannot be
 * heard here, but stands in its place, on the sheet and in what is told to be left out.
 */
public record SetInserts(String row, List<Insert> inserts) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Row before = SessionEdit.row(session, row);
        for (Insert insert : inserts == null ? List.<Insert>of() : inserts) {
            boolean isForeign = Effects.find(insert.effect()).isEmpty();
            boolean wasThere = before.strip().inserts().stream()
                    .anyMatch(old -> old.effect().equals(insert.effect()));
            if (isForeign && !wasThere) {
                if (insert.said().isEmpty()) {
                    throw new EditRefused(
                            "inserts",
                            "Apodex has no effect “" + NameRule.shown(String.valueOf(insert.effect()))
                                    + "”. One from elsewhere needs a word about how it was set.");
                }
                NameRule.check("inserts", insert.effect());
            }
            if (!isForeign && !insert.said().isEmpty()) {
                throw new EditRefused(
                        "inserts",
                        "“" + insert.effect() + "” is an effect of the house; it is set by its own settings.");
            }
        }
        return session.withRow(row, each -> each.withStrip(each.strip().withInserts(inserts)));
    }

    @Override
    public String describe(Session before) {
        return "Change the inserts of " + SessionEdit.named(before, row);
    }
}
