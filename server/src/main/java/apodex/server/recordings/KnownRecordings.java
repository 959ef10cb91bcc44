package apodex.server.recordings;

import apodex.intake.RecordingStore;
import apodex.session.Recording;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The recordings that there are. Who uses them is kept by who does: sessions, in any of their revisions, and intakes. */
@Component
public class KnownRecordings {
    private static final Logger LOG = LoggerFactory.getLogger(KnownRecordings.class);

    private final RecordingMapper mapper;
    private final RecordingStore store;
    private final RecordingsInUse inUse;

    KnownRecordings(RecordingMapper mapper, RecordingStore store, RecordingsInUse inUse) {
        this.mapper = mapper;
        this.store = store;
        this.inUse = inUse;
    }

    /** Notes a recording that is in the store; once is enough. */
    public void add(Recording recording) {
        mapper.insert(recording);
    }

    /** Removes those that nobody uses any more. Waits until nothing is being brought in. */
    public void removeUnused() {
        inUse.removing(this::remove);
    }

    /** The same, unless something is being brought in: then they go with the next. */
    public void removeUnusedIfQuiet() {
        inUse.removingIfQuiet(this::remove);
    }

    private void remove() {
        for (String sha256 : mapper.unused()) {
            mapper.delete(sha256);
            try {
                store.remove(sha256);
            } catch (IOException e) {
                LOG.warn("Recording {}, which nobody uses, is still there.", sha256, e);
            }
        }
    }
}
