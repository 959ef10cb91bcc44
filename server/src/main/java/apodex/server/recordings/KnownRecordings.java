package apodex.server.recordings;

import apodex.intake.RecordingStore;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import apodex.server.web.DatabaseTrouble;
import apodex.session.Recording;
import java.io.IOException;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.event.Level;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The recordings that there are. Who uses them is kept by who does: sessions, in any of their revisions, and intakes. */
@Component
public class KnownRecordings {
    private static final Logger LOG = LoggerFactory.getLogger(KnownRecordings.class);

    private final RecordingMapper mapper;
    private final RecordingStore store;
    private final RecordingsInUse inUse;
    private final Storage storage;
    private final SharedRecordings shared;

    KnownRecordings(
            RecordingMapper mapper,
            RecordingStore store,
            RecordingsInUse inUse,
            Storage storage,
            SharedRecordings shared) {
        this.storage = storage;
        this.shared = shared;
        this.mapper = mapper;
        this.store = store;
        this.inUse = inUse;
    }

    /** Notes a recording that is in the store; once is enough. */
    public void add(Recording recording) {
        mapper.insert(recording);
        if (storage.isShared()) {
            mapper.used(recording.sha256()); // or another node might take it for unused until this transaction ends
        }
    }

    /** Removes those that nobody uses any more. Waits until nothing is being brought in. */
    public void removeUnused() {
        inUse.removing(this::remove);
    }

    /** The same, unless something is being brought in: then they go with the next. */
    public void removeUnusedIfQuiet() {
        inUse.removingIfQuiet(this::remove);
    }

    /** Where nodes share them, those that somebody was about to use, and did not. */
    @Scheduled(fixedDelayString = "${apodex.sweep}")
    void sweep() {
        if (storage.isShared()) {
            Patience.orNextTime(() -> inUse.removingIfQuiet(this::remove));
        }
    }

    private void remove() {
        List<String> unused = storage.isShared() ? mapper.storedForNobody() : mapper.unused();
        for (String sha256 : unused) {
            try {
                if (!storage.isShared()) {
                    mapper.delete(sha256);
                    store.remove(sha256);
                } else if (shared.removeUnused(sha256)) {
                    store.remove(sha256);
                }
            } catch (IOException e) {
                LOG.warn("Recording {}, which nobody uses, is still there.", sha256, e);
            } catch (DataAccessException e) { // the next sweep tries it again; it keeps no other from going
                if (!storage.isShared() || DatabaseTrouble.isIn(e)) {
                    throw e;
                }
                LOG.atLevel(DatabaseTrouble.isLostRace(e) ? Level.DEBUG : Level.WARN)
                        .setCause(e)
                        .log("Recording {}, which nobody uses, could not be forgotten now.", sha256);
            }
        }
    }
}
