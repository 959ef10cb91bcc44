package apodex.check;

import apodex.naming.NameProposal;
import apodex.naming.NameProposals;
import apodex.naming.VagueName;
import apodex.session.NamedBy;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Together;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A row still called what a program called it. */
final class NameSaysNothing extends Check {
    NameSaysNothing() {
        super("nameSaysNothing");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<NameProposal> proposals = NameProposals.of(at.session());
        for (Row row : at.session().rows()) {
            if (row.kind() == RowKind.MIX
                    || !at.isNamed(row)
                    || row.about().named() == NamedBy.HAND
                    || !VagueName.isVague(row.name())) {
                continue;
            }
            Finding finding = Finding.of(
                    this,
                    Severity.LOOK,
                    "A name that says nothing",
                    at.called(row) + ": the receiver cannot tell what it is. Give it a name below.",
                    List.of(row.id()));
            Optional<NameProposal> better = proposals.stream()
                    .filter(each -> each.row().equals(row.id()))
                    .findFirst();
            if (better.isPresent()) {
                finding = finding.offering(Remedy.harmless(
                        "Call it “" + better.get().proposed() + "”",
                        new Together(
                                "Rename “" + row.name() + "”", NameProposals.accepting(at.session(), better.get()))));
            }
            found.accept(finding);
        }
    }
}
