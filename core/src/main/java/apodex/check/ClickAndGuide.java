package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.MoveRows;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.SessionEdit;
import apodex.session.SetAbout;
import apodex.session.Together;
import java.util.List;
import java.util.function.Consumer;

/** Rows that only helped the players along: the receiver should find them apart, or not at all. */
final class ClickAndGuide extends Check {
    ClickAndGuide() {
        super("clickAndGuide");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<Row> sources = at.sources();
        for (Row row : sources) {
            Role role = Roles.of(row);
            if (!role.isForPlayers() || !at.goesOut(row)) {
                continue;
            }
            boolean last = sources.subList(sources.indexOf(row), sources.size()).stream()
                    .allMatch(each -> each.equals(row) || each.about().role().isForPlayers());
            if (row.about().role().isForPlayers() && last) {
                continue; // set apart already: it goes into a folder of its own
            }
            List<SessionEdit> apart = List.of(
                    new SetAbout(row.id(), role, row.about().note()),
                    new MoveRows(List.of(row.id()), afterSources(at)));
            found.accept(Finding.of(
                            this,
                            Severity.KNOW,
                            role == Role.CLICK ? "A click row" : "A guide row",
                            at.called(row) + " is planned among the music.",
                            List.of(row.id()))
                    .offering(Remedy.harmless(
                            "Print it apart, last", new Together("Set “" + row.name() + "” apart", apart)))
                    .offering(Remedy.printing("Leave it out", Adjustment.leavingOut(Choices.of(at, row)))));
        }
    }

    /** The row after the last one with sound of its own. */
    private static String afterSources(Look at) {
        List<Row> rows = at.session().rows();
        List<Row> sources = at.sources();
        return rows.get(rows.indexOf(sources.get(sources.size() - 1)) + 1).id();
    }
}
