package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.SetFader;
import apodex.session.Strip;
import java.util.List;
import java.util.function.Consumer;

/** A muted row that has something to say, and would be printed. */
final class MutedWithContent extends Check {
    private static final String NOTE = "muted in the mix";

    MutedWithContent() {
        super("mutedWithContent");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            if (!row.strip().muted()
                    || row.kind() == RowKind.MIX
                    || !at.hasContent(row)
                    || !at.goesOut(row)
                    || Notes.says(row, NOTE)) {
                continue;
            }
            Strip strip = row.strip();
            found.accept(Finding.of(
                            this,
                            Severity.LOOK,
                            "Muted, with sound in it",
                            at.called(row)
                                    + " is not heard in the reference mix, but its own files hold its sound up to Inserts.",
                            List.of(row.id()))
                    .offering(Remedy.printing("Leave it out of the plan", Adjustment.leavingOut(Choices.of(at, row))))
                    .offering(Remedy.changing(
                            "Unmute it", new SetFader(row.id(), strip.faderDb(), strip.pan(), false, strip.soloed())))
                    .offering(Notes.add("Say so in its note", row, NOTE)));
        }
    }
}
