package apodex.server.removal;

import apodex.server.recordings.KnownRecordings;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import apodex.server.web.Refused;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Puts sessions, handoffs and runs into the bin, or removes them for good. Then the database forgets first, in one piece; what lies on the disk follows, so that nothing
 * that can still be opened is ever without its files.
 */
@Service
class Removal {
    private static final Logger LOG = LoggerFactory.getLogger(Removal.class);

    private final RemovalMapper mapper;
    private final TransactionTemplate transaction;
    private final Storage storage;
    private final Writing writing;
    private final KnownRecordings recordings;

    Removal(
            RemovalMapper mapper,
            TransactionTemplate transaction,
            Storage storage,
            Writing writing,
            KnownRecordings recordings) {
        this.mapper = mapper;
        this.transaction = transaction;
        this.storage = storage;
        this.writing = writing;
        this.recordings = recordings;
    }

    /** Puts a session into the bin, with all that belongs to it. */
    void binSession(String id) {
        transaction.executeWithoutResult(status -> {
            mapper.lockSession(id);
            mapper.handoffs(id).forEach(handoff -> mapper.runs(handoff).forEach(Removal::refuseUnderWay));
            found(mapper.binSession(id, Instant.now()), "session", id);
        });
    }

    void binHandoff(String id) {
        transaction.executeWithoutResult(status -> {
            mapper.lockHandoff(id);
            mapper.runs(id).forEach(Removal::refuseUnderWay);
            found(mapper.binHandoff(id, Instant.now()), "handoff", id);
        });
    }

    void binRun(String id) {
        transaction.executeWithoutResult(status -> {
            String handoff = mapper.handoffOf(id);
            mapper.lockHandoff(handoff);
            mapper.runs(handoff).stream().filter(run -> run.id().equals(id)).forEach(Removal::refuseUnderWay);
            found(mapper.binRun(id, Instant.now()), "run", id);
        });
    }

    private static void found(int binned, String what, String id) {
        if (binned == 0) {
            throw Refused.notFound("There is no " + what + " “" + id + "”.");
        }
    }

    private static void refuseUnderWay(RemovalMapper.Held run) {
        if (!run.ended()) {
            throw Refused.conflict("Run " + run.number() + " is under way or waits; cancel it first.");
        }
    }

    /** Removes a session with its history, handoffs, runs, pickup links, and the recordings that nobody else uses. */
    void session(String id) {
        removeFiles(transaction.execute(status -> {
            if (mapper.lockSession(id) == null) {
                throw Refused.notFound("There is no session “" + id + "”.");
            }
            List<String> gone = new ArrayList<>();
            mapper.handoffs(id).forEach(handoff -> gone.addAll(forgetHandoff(handoff)));
            mapper.dismissals(id);
            mapper.uses(id);
            mapper.revisions(id);
            mapper.session(id);
            return gone;
        }));
        recordings.removeUnused();
    }

    /** Removes a handoff with its runs and their pickup links. */
    void handoff(String id) {
        removeFiles(transaction.execute(status -> {
            if (mapper.lockHandoff(id) == null) {
                throw Refused.notFound("There is no handoff “" + id + "”.");
            }
            return forgetHandoff(id);
        }));
    }

    /** Removes a run with its pickup links. */
    void run(String id) {
        removeFiles(transaction.execute(status -> {
            String handoff = mapper.handoffOf(id);
            if (handoff == null) {
                throw Refused.notFound("There is no run “" + id + "”.");
            }
            mapper.lockHandoff(handoff);
            return mapper.runs(handoff).stream()
                    .filter(run -> run.id().equals(id))
                    .map(this::forget)
                    .toList();
        }));
    }

    private List<String> forgetHandoff(String id) {
        List<String> gone = mapper.runs(id).stream().map(this::forget).toList();
        mapper.handoff(id);
        return gone;
    }

    /** @return where its files lie */
    private String forget(RemovalMapper.Held run) {
        refuseUnderWay(run);
        mapper.pickupEvents(run.id());
        mapper.pickups(run.id());
        mapper.parcels(run.id());
        mapper.files(run.id());
        mapper.paceOfNobody(run.id());
        mapper.run(run.id());
        writing.abandon(run.storedAs());
        return run.storedAs();
    }

    private void removeFiles(List<String> runs) {
        for (String run : runs) {
            try {
                storage.remove(run);
                writing.forget(run);
            } catch (IOException e) { // swept
                LOG.warn("The files of {}, which is removed, are still there.", run, e);
            }
        }
    }
}
