package apodex.check;

import java.util.List;
import java.util.function.Consumer;

/** A session that nobody told its key. */
final class NoKey extends Check {
    NoKey() {
        super("noKey");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        if (at.session().song().key() == null) {
            found.accept(Finding.of(
                    this,
                    Severity.KNOW,
                    "No key given",
                    "Who overdubs or tunes asks for it. Give the key with the song's facts in Session.",
                    List.of()));
        }
    }
}
