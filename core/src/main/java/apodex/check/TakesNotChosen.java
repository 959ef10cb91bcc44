package apodex.check;

import apodex.session.AudioRow;
import apodex.session.SetTakes;
import apodex.session.Take;
import java.util.List;
import java.util.function.Consumer;

/** Takes with something on them that is not heard. */
final class TakesNotChosen extends Check {
    TakesNotChosen() {
        super("takesNotChosen");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            List<Take> others = row.takes().stream()
                    .filter(take ->
                            !take.id().equals(row.active()) && !take.clips().isEmpty() && !at.goesOut(row, take))
                    .toList();
            String note = RowNames.count(others.size(), "more take") + " kept in the session";
            if (others.isEmpty() || Notes.says(row, note)) {
                continue;
            }
            List<Take> chosen = row.takes().stream()
                    .filter(take -> take.id().equals(row.active()))
                    .toList();
            Finding finding = Finding.of(
                    this,
                    Severity.KNOW,
                    "Takes not chosen",
                    at.called(row) + ": “" + chosen.get(0).name() + "” is printed; "
                            + RowNames.count(others.size(), "other take") + " with sound "
                            + (others.size() == 1 ? "is" : "are") + " not.",
                    List.of(row.id()));
            for (Take take : others) {
                finding = finding.with(take.name(), RowNames.count(take.clips().size(), "clip"));
            }
            finding = finding.offering(Notes.add("Say so on the sheet", row, note));
            for (Take take : others) {
                finding = finding.offering(
                        Remedy.changing("Use “" + take.name() + "”", new SetTakes(row.id(), row.takes(), take.id())));
            }
            found.accept(finding);
        }
    }
}
