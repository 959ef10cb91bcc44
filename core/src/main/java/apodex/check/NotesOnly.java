package apodex.check;

import apodex.session.InstrumentRow;
import apodex.session.Row;
import apodex.session.SetInstrument;
import apodex.session.SoundFrom;
import java.util.List;
import java.util.function.Consumer;

/** Notes whose instrument is not here: no file holds a sound of them until somebody brings it, or takes the one that stands in. */
final class NotesOnly extends Check {
    NotesOnly() {
        super("notesOnly");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            if (row instanceof InstrumentRow player
                    && player.soundFrom() == SoundFrom.ELSEWHERE
                    && !player.notes().isEmpty()
                    && row.strip().brought().isEmpty()) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Notes without their sound",
                                at.called(row)
                                        + " came as notes alone. A house instrument stands in to listen to and is in no file, not even"
                                        + " in the mix. Bring what it sounded like, or take the house instrument as the sound.",
                                List.of(row.id()))
                        .with("Notes", String.valueOf(player.notes().size()))
                        .offering(Remedy.changing(
                                "The house instrument is the sound",
                                new SetInstrument(row.id(), player.instrument(), SoundFrom.HOUSE))));
            }
        }
    }
}
