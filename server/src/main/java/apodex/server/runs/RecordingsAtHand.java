package apodex.server.runs;

import apodex.audio.AllCores;
import apodex.intake.RecordingStore;
import apodex.server.storage.Patience;
import apodex.session.Session;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Component;

/** Sees to it that what a run reads is on this machine before the engine begins, several at once. */
@Component
class RecordingsAtHand {
    private static final int AT_ONCE = 4;

    private final RecordingStore store;

    RecordingsAtHand(RecordingStore store) {
        this.store = store;
    }

    void bring(Session session, BooleanSupplier isCancelled) throws IOException {
        List<String> used = session.rows().stream()
                .flatMap(row -> row.heardClips().stream())
                .map(clip -> clip.recording())
                .distinct()
                .toList();
        AllCores.with(used, AT_ONCE, sha256 -> {
            if (isCancelled.getAsBoolean()) {
                throw new CancellationException("Cancelled before it began.");
            }
            try {
                Patience.step(() -> store.fetch(sha256));
            } catch (FileNotFoundException e) {
                // the plan knows what to do without it, or says so
            }
            return sha256;
        });
    }
}
