package apodex.check;

import apodex.naming.NameProposal;
import apodex.naming.NameProposals;
import apodex.naming.VagueName;
import apodex.session.SessionEdit;
import apodex.session.Together;
import java.util.List;
import java.util.function.Consumer;

/** Names with short forms, gear, dates or take marks that a stranger has to guess at. */
final class NameCarriesLeftovers extends Check {
    NameCarriesLeftovers() {
        super("nameCarriesLeftovers");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<NameProposal> proposals = NameProposals.of(at.session()).stream()
                .filter(each -> !VagueName.isVague(each.now()))
                .filter(each -> at.session().row(each.row()).filter(at::isNamed).isPresent())
                .toList();
        if (proposals.isEmpty()) {
            return;
        }
        List<SessionEdit> edits = proposals.stream()
                .flatMap(each -> NameProposals.accepting(at.session(), each).stream())
                .toList();
        Finding finding = Finding.of(
                this,
                Severity.LOOK,
                "Names nobody else understands",
                RowNames.count(proposals.size(), "name") + " with short forms, gear, takes or dates in "
                        + (proposals.size() == 1 ? "it" : "them")
                        + ". What is left out of a name goes to the row's note.",
                proposals.stream().map(NameProposal::row).toList());
        for (NameProposal proposal : proposals) {
            finding = finding.with(proposal.now(), proposal.proposed());
        }
        found.accept(finding.offering(Remedy.harmless(
                proposals.size() == 1 ? "Accept the proposal" : "Accept all " + proposals.size() + " proposals",
                new Together("Clean up " + RowNames.count(proposals.size(), "name"), edits))));
    }
}
