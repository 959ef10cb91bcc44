package apodex.check;

import java.util.List;
import java.util.function.Consumer;

/** A session that nobody told its tempo. */
final class NoTempo extends Check {
    NoTempo() {
        super("noTempo");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        if (at.session().song().tempo() == null) {
            found.accept(Finding.of(
                    this,
                    Severity.LOOK,
                    "No tempo given",
                    "The receiver's grid will not fit. Give the tempo with the song's facts in Session.",
                    List.of()));
        }
    }
}
