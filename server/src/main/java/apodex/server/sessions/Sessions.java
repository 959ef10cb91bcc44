package apodex.server.sessions;

import apodex.intake.RecordingStore;
import apodex.server.access.Access;
import apodex.server.accounts.Who;
import apodex.server.recordings.KnownRecordings;
import apodex.server.web.Refused;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.SessionEdit;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps sessions with their whole history; every change names the revision it was made against. */
@Service
public class Sessions {
    private static final int KEPT = 32;
    private static final int MOST_ATTEMPTS = 50;

    private final SessionMapper mapper;
    private final KnownRecordings recordings;
    private final TransactionTemplate transaction;
    private final Who who;
    private final Access access;
    /** Revisions that were asked for lately: a large session takes long to read, and every view asks for it. */
    private final Cache<Key, Revision> known =
            Caffeine.newBuilder().maximumSize(KEPT).softValues().build();

    Sessions(
            SessionMapper mapper, KnownRecordings recordings, TransactionTemplate transaction, Who who, Access access) {
        this.who = who;
        this.access = access;
        this.transaction = transaction;
        this.mapper = mapper;
        this.recordings = recordings;
    }

    /** @param store where recordings lie, to say how large they are */
    List<ShelfEntry> shelf(RecordingStore store) throws IOException {
        Map<String, Long> bytes = new HashMap<>();
        for (SessionMapper.Use use : mapper.uses()) {
            bytes.merge(use.sessionId(), store.bytes(use.sha256()), Long::sum);
        }
        return mapper.shelf(who.onlyOf()).stream()
                .map(entry -> entry.withRecordings(bytes.getOrDefault(entry.id(), 0L)))
                .toList();
    }

    /** Another session of how one stands now, with its handoffs. */
    @Transactional
    SessionState duplicate(String id) {
        Session session = get(id).session();
        String title = DuplicateTitle.of(session.song().title(), mapper.titles(who.onlyOf()));
        SessionState made = create(
                session.withSong(session.song().withTitle(title)),
                "Duplicate " + session.song().title());
        mapper.duplicateHandoffs(id, made.id());
        return made;
    }

    /** What was done to a session after a revision, in order. */
    public List<String> descriptionsSince(String id, int revision) {
        return mapper.descriptionsSince(id, revision);
    }

    /** @throws Refused (404) when there is none */
    public SessionState get(String id) {
        return state(head(id));
    }

    public boolean exists(String id) {
        return mapper.count(id) > 0;
    }

    @Transactional
    public SessionState create(Session session, String description) {
        return create(UUID.randomUUID().toString(), who.ownerId(), session, description);
    }

    /** Makes one for somebody who need not have asked. */
    @Transactional
    public SessionState create(String id, String ownerId, Session session, String description) {
        mapper.insert(id, ownerId, summary(session));
        Revision first = Revision.first(id, session, description);
        mapper.insertRevision(first, StoredForm.NOW);
        session.recordings().forEach(recording -> {
            recordings.add(recording);
            mapper.insertUse(id, recording);
        });
        return state(first);
    }

    /**
     * Makes an edit.
     *
     * @throws Refused (409) with the current state, when {@code revision} is not the newest
     */
    @Transactional
    public SessionState edit(String id, int revision, SessionEdit edit) {
        Revision head = newest(id, revision);
        Revision next = head.after(edit);
        refuseWhatDidNotCome(id, head.session(), next.session());
        return append(head, next);
    }

    /** A hash in an edit is nobody's sound: recordings come as files, or are those of sessions one hears already. */
    private void refuseWhatDidNotCome(String id, Session before, Session after) {
        Set<String> known = before.recordings().stream().map(Recording::sha256).collect(Collectors.toSet());
        after.recordings().stream()
                .filter(each -> !known.contains(each.sha256()))
                .filter(each -> mapper.countUses(id, each.sha256()) == 0)
                .filter(each -> !access.recordings().test(each.sha256()))
                .findFirst()
                .ifPresent(each -> {
                    throw Refused.unusable(
                            "“" + each.fileName() + "” has not come in here. Drop the file on the session.");
                });
    }

    /**
     * Adds what took minutes to come to whatever the session has become meanwhile.
     *
     * @param edit null when nothing has to change
     * @param with what happens with it, or not at all
     * @return the session's revision with it
     */
    public int bringIn(String id, @Nullable SessionEdit edit, Runnable with) {
        for (int attempt = 1; ; attempt++) {
            try {
                return transaction.execute(status -> {
                    with.run();
                    SessionState now = get(id);
                    return edit == null
                            ? now.revision()
                            : bringIn(id, now.revision(), edit).revision();
                });
            } catch (Refused faster) {
                if (faster.status() != HttpStatus.CONFLICT || attempt == MOST_ATTEMPTS) {
                    throw faster;
                }
            }
        }
    }

    /** Makes an edit that brings recordings with it. */
    @Transactional
    SessionState bringIn(String id, int revision, SessionEdit edit) {
        Revision head = newest(id, revision);
        SessionState state = append(head, head.after(edit));
        state.session().recordings().forEach(recording -> {
            recordings.add(recording);
            mapper.insertUse(id, recording);
        });
        return state;
    }

    @Transactional
    public SessionState undo(String id, int revision) {
        Revision head = newest(id, revision);
        if (head.undoTo() == null) {
            throw Refused.conflict("There is nothing to undo.").with("current", state(head));
        }
        return append(head, head.undo(revision(id, head.undoTo())));
    }

    @Transactional
    public SessionState redo(String id, int revision) {
        Revision head = newest(id, revision);
        if (head.redoTo() == null) {
            throw Refused.conflict("There is nothing to redo.").with("current", state(head));
        }
        return append(head, head.redo(revision(id, head.redoTo())));
    }

    private Revision newest(String id, int revision) {
        Revision head = head(id);
        if (head.revision() != revision) {
            throw stale(head);
        }
        return head;
    }

    private SessionState append(Revision head, Revision next) {
        if (mapper.advance(head.sessionId(), head.revision(), summary(next.session())) == 0) {
            throw stale(head(head.sessionId()));
        }
        mapper.insertRevision(next, StoredForm.NOW);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() { // before, somebody else may still be first with this number
                known.put(new Key(next.sessionId(), next.revision()), next);
            }
        });
        return state(next);
    }

    private Refused stale(Revision head) {
        return Refused.conflict("This session was changed in another window meanwhile.")
                .with("current", state(head));
    }

    private Revision head(String id) {
        Integer head = mapper.head(id);
        if (head == null) {
            throw Refused.notFound("There is no session “" + id + "”.");
        }
        return revision(id, head);
    }

    private Revision revision(String id, int revision) {
        return known.get(new Key(id, revision), key -> mapper.revision(id, revision));
    }

    /** Of a revision, which never changes. */
    private record Key(String id, int revision) {}

    private SessionState state(Revision head) {
        String undo = head.undoTo() == null ? null : head.description();
        String redo = head.redoTo() == null
                ? null
                : revision(head.sessionId(), head.redoTo()).description();
        return new SessionState(
                head.sessionId(), head.revision(), head.session().frames(), undo, redo, head.session());
    }

    private static SessionMapper.Summary summary(Session session) {
        return new SessionMapper.Summary(
                session.song().title(),
                session.song().artist(),
                session.rows().size() - 1,
                session.frames(),
                session.rate().hertz());
    }
}
