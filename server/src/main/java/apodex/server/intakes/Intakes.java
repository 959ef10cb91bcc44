package apodex.server.intakes;

import apodex.audio.Limits;
import apodex.audio.WorkFolder;
import apodex.intake.AddToSession;
import apodex.intake.ClipListForm;
import apodex.intake.Correction;
import apodex.intake.Drop;
import apodex.intake.DropExaminer;
import apodex.intake.Intake;
import apodex.intake.IntakeFile;
import apodex.intake.Onto;
import apodex.intake.Questions;
import apodex.intake.RecordingStore;
import apodex.intake.SessionFromIntake;
import apodex.intake.TableReading;
import apodex.server.DataFolder;
import apodex.server.access.Access;
import apodex.server.access.Right;
import apodex.server.access.Thing;
import apodex.server.accounts.Who;
import apodex.server.recordings.KnownRecordings;
import apodex.server.recordings.RecordingsInUse;
import apodex.server.sessions.SessionState;
import apodex.server.sessions.Sessions;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import apodex.server.web.Refused;
import apodex.session.Session;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps intakes from the drop to the session; every change names the revision it was made against. */
@Service
class Intakes {
    private static final Logger LOG = LoggerFactory.getLogger(Intakes.class);

    private final IntakeMapper mapper;
    private final ClipListFormMapper forms;
    private final RecordingStore store;
    private final RecordingsInUse inUse;
    private final KnownRecordings recordings;
    private final DataFolder dataFolder;
    private final Storage storage;
    private final Writing writing;
    private final Sessions sessions;
    private final TransactionTemplate transaction;
    private final Who who;
    private final Access access;

    Intakes(
            IntakeMapper mapper,
            ClipListFormMapper forms,
            RecordingStore store,
            RecordingsInUse inUse,
            KnownRecordings recordings,
            DataFolder dataFolder,
            Storage storage,
            Writing writing,
            Sessions sessions,
            TransactionTemplate transaction,
            Who who,
            Access access) {
        this.who = who;
        this.access = access;
        this.mapper = mapper;
        this.forms = forms;
        this.store = store;
        this.inUse = inUse;
        this.recordings = recordings;
        this.dataFolder = dataFolder;
        this.storage = storage;
        this.writing = writing;
        this.sessions = sessions;
        this.transaction = transaction;
    }

    /** Examines a drop. What came is kept from then on, until a session is made of it or it is given up. */
    IntakeState examine(Drop drop, String title) throws IOException {
        return examine(drop, title, new DropExaminer(store, drop));
    }

    /** Examines what is to be added to a session. @param at frame of it for what says nothing of its place */
    IntakeState examineFor(Drop drop, String session, long at) throws IOException {
        access.require(Right.CHANGE, Thing.SESSION, session);
        Session open = sessions.get(session).session();
        return examine(drop, open.song().title(), new DropExaminer(store, drop).onto(session, open, at));
    }

    private IntakeState examine(Drop drop, String title, DropExaminer examiner) throws IOException {
        String id = UUID.randomUUID().toString();
        Path kept = storage.begin(name(id));
        try {
            return inUse.bringing(() -> {
                drop.knowing(forms.of(who.ownerId()).stream()
                        .collect(Collectors.toMap(ClipListFormMapper.Kept::name, ClipListFormMapper.Kept::form)));
                Intake found = examiner.examine(title, kept);
                if (found.files().isEmpty()) {
                    throw Refused.nothingUsable(found.refused());
                }
                StoredIntake stored = new StoredIntake(id, 1, found, PutRight.NOTHING);
                storage.publish(name(id));
                transaction.executeWithoutResult(status -> {
                    if (!writing.settle(name(id))) {
                        throw Refused.conflict("Bringing these files in took too long. Drop them once more.");
                    }
                    mapper.insert(stored, found.title(), who.ownerId());
                    for (IntakeFile file : found.sounds()) {
                        recordings.add(file.recording());
                        mapper.insertUse(id, file.recording().sha256());
                    }
                });
                storage.leave(name(id));
                return state(stored);
            });
        } catch (IOException | RuntimeException e) {
            if (!writing.giveUp(name(id))) {
                WorkFolder.remove(kept);
            }
            throw e;
        }
    }

    IntakeState get(String id) {
        return state(stored(id));
    }

    Intake now(String id) {
        return stored(id).now();
    }

    List<IntakeMapper.Waiting> waiting() {
        return mapper.waiting(who.onlyOf());
    }

    IntakeState correct(String id, int revision, Correction correction) {
        return change(id, revision, putRight -> putRight.and(correction));
    }

    /** A table that came, read in some way: null for the way it is read now, or is likely meant. */
    TableReading.Preview preview(String id, String file, @Nullable ClipListForm form) throws IOException {
        TableReading reading = reading(id, now(id), file);
        return reading.preview(form == null ? reading.form() : form);
    }

    /** Reads a table as a list. @param remembered whether every table with its headings is read so from now on */
    IntakeState read(String id, int revision, String file, ClipListForm form, Remembered remembered)
            throws IOException {
        TableReading reading = reading(id, newest(id, revision).now(), file);
        IntakeState read = correct(id, revision, reading.correction(form));
        if (remembered == Remembered.FOR_THESE_HEADINGS) {
            forms.keep(who.ownerId(), ClipListForm.key(reading.headings()), form);
        }
        return read;
    }

    private TableReading reading(String id, Intake intake, String file) throws IOException {
        Session onto = intake.onto() == null ? null : openSession(intake.onto()).session();
        return new TableReading(intake, file, storage.here(name(id)), onto);
    }

    private SessionState openSession(Onto onto) {
        if (!sessions.exists(onto.session())) {
            throw Refused.conflict("The session “" + onto.title()
                    + "” that these files were for is gone. They can become a session of their own.");
        }
        access.require(Right.CHANGE, Thing.SESSION, onto.session());
        return sessions.get(onto.session());
    }

    /** Whether a way of reading a table holds for others. */
    enum Remembered {
        @JsonProperty("once")
        ONCE,
        @JsonProperty("forTheseHeadings")
        FOR_THESE_HEADINGS
    }

    IntakeState undo(String id, int revision) {
        return change(id, revision, putRight -> {
            if (!putRight.canUndo()) {
                throw Refused.conflict("There is nothing to undo.");
            }
            return putRight.undone();
        });
    }

    IntakeState redo(String id, int revision) {
        return change(id, revision, putRight -> {
            if (!putRight.canRedo()) {
                throw Refused.conflict("There is nothing to redo.");
            }
            return putRight.redone();
        });
    }

    private IntakeState change(String id, int revision, UnaryOperator<PutRight> change) {
        StoredIntake before = newest(id, revision);
        StoredIntake after = before.with(change.apply(before.putRight()));
        if (mapper.update(after, after.now().title(), revision) == 0) {
            throw stale(id);
        }
        return state(after);
    }

    /** Makes the session that an intake shows, or adds it to the one it is for; the intake is over with that. */
    IntakesController.Made make(String id, int revision) throws IOException {
        Intake intake = newest(id, revision).now();
        int rows = intake.rowCount()
                + (intake.onto() == null
                        ? 0
                        : openSession(intake.onto()).session().rows().size() - 1);
        if (rows > Limits.ROWS) {
            throw Refused.unusable("With these files there are " + rows + " rows, and a session has " + Limits.ROWS
                    + " at the most. Put takes on one row, or leave some out.");
        }
        Path work = dataFolder.newWorkFolder();
        try {
            IntakesController.Made made = inUse.bringing(
                    () -> intake.onto() == null ? create(id, revision, intake, work) : add(id, revision, intake, work));
            removeKept(id);
            recordings.removeUnusedIfQuiet(); // what was left out; nobody waits for others' drops to be over
            return made;
        } finally {
            WorkFolder.remove(work);
        }
    }

    private IntakesController.Made create(String id, int revision, Intake intake, Path work) throws IOException {
        Session session =
                new SessionFromIntake(store, intake, work).make(storage.here(name(id)), LocalDate.now(ZoneOffset.UTC));
        String made = transaction.execute(status -> {
            end(id, revision);
            return sessions.create(session, "Bring in " + intake.sounds().size() + " recordings")
                    .id();
        });
        return new IntakesController.Made(made, List.of());
    }

    private IntakesController.Made add(String id, int revision, Intake intake, Path work) throws IOException {
        SessionState open = openSession(intake.onto());
        AddToSession.Result result = new AddToSession(store, open.session()).add(intake, storage.here(name(id)), work);
        sessions.bringIn(open.id(), result.edit(), () -> end(id, revision));
        return new IntakesController.Made(open.id(), result.words());
    }

    /** Gives an intake up, with the recordings that nobody else uses. */
    void giveUp(String id) {
        StoredIntake stored = stored(id);
        transaction.executeWithoutResult(status -> end(id, stored.revision()));
        removeKept(id);
        recordings.removeUnused();
    }

    private void end(String id, int revision) {
        mapper.deleteUses(id);
        if (mapper.delete(id, revision) == 0) {
            throw stale(id);
        }
        writing.abandon(name(id));
    }

    /** In the storage. */
    private static String name(String id) {
        return "intakes/" + id;
    }

    private void removeKept(String id) {
        try {
            storage.remove(name(id));
            writing.forget(name(id));
        } catch (IOException | RuntimeException e) { // swept
            LOG.warn("What was kept of intake {}, which is over, is still there.", id, e);
        }
    }

    private StoredIntake newest(String id, int revision) {
        StoredIntake stored = stored(id);
        if (stored.revision() != revision) {
            throw stale(id);
        }
        return stored;
    }

    private Refused stale(String id) {
        StoredIntake stored = mapper.find(id);
        return stored == null
                ? gone(id)
                : Refused.conflict("This intake was changed in another window meanwhile.")
                        .with("current", state(stored));
    }

    private StoredIntake stored(String id) {
        StoredIntake stored = mapper.find(id);
        if (stored == null) {
            throw gone(id);
        }
        return stored;
    }

    private static Refused gone(String id) {
        return Refused.notFound("There is no intake “" + id + "”: a session was made of it, or it was given up.");
    }

    private static IntakeState state(StoredIntake stored) {
        Intake now = stored.now();
        return new IntakeState(
                stored.id(),
                stored.revision(),
                now,
                now.laidOut().stream().map(IntakeFile::id).toList(),
                now.rowCount(),
                Questions.of(now),
                stored.putRight().canUndo(),
                stored.putRight().canRedo());
    }
}
