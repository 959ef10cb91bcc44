package apodex.server.recordings;

import apodex.intake.RecordingStore;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Removes recordings that nobody uses any more: no session in any of its revisions, and no intake. */
@Component
public class UnusedRecordings {
    private static final Logger LOG = LoggerFactory.getLogger(UnusedRecordings.class);

    private final RecordingMapper mapper;
    private final RecordingStore store;
    private final RecordingsInUse inUse;

    UnusedRecordings(RecordingMapper mapper, RecordingStore store, RecordingsInUse inUse) {
        this.mapper = mapper;
        this.store = store;
        this.inUse = inUse;
    }

    /** Waits until nothing is being brought in. */
    public void remove() {
        inUse.removing(() -> {
            for (String sha256 : mapper.unused()) {
                mapper.delete(sha256);
                try {
                    store.remove(sha256);
                } catch (IOException e) {
                    LOG.warn("Recording {}, which nobody uses, is still there.", sha256, e);
                }
            }
        });
    }
}
