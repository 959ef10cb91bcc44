package apodex.server.sessions;

import apodex.intake.Drop;
import apodex.intake.Offers;
import apodex.intake.RecordingStore;
import apodex.intake.Refusal;
import apodex.intake.SessionFromDrop;
import apodex.intake.SessionFromDrop.Brought;
import apodex.server.DataFolder;
import apodex.server.accounts.Who;
import apodex.server.arrivals.Drops;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import apodex.server.recordings.RecordingsInUse;
import apodex.server.web.Refused;
import apodex.session.Session;
import apodex.session.SessionEdit;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/sessions")
class SessionsController {
    private final Sessions sessions;
    private final RecordingStore store;
    private final DataFolder dataFolder;
    private final RecordingsInUse inUse;
    private final Drops drops;
    private final Deeds deeds;
    private final Who who;

    SessionsController(
            Sessions sessions,
            RecordingStore store,
            DataFolder dataFolder,
            RecordingsInUse inUse,
            Drops drops,
            Deeds deeds,
            Who who) {
        this.deeds = deeds;
        this.who = who;
        this.inUse = inUse;
        this.drops = drops;
        this.sessions = sessions;
        this.store = store;
        this.dataFolder = dataFolder;
    }

    /**
     * @param remarks what was left out or changed of files that came in
     * @param missing recordings that were named and are not here; they can be dropped on the session later
     * @param offers  how many rows look like parts of one
     */
    record Imported(
            String id,
            int revision,
            List<Brought> brought,
            List<Refusal> refused,
            List<Refusal> remarks,
            List<String> missing,
            int offers) {}

    /** @param revision the session's revision the edit was made against */
    record EditRequest(int revision, SessionEdit edit) {}

    record StepRequest(int revision) {}

    /** @param free bytes there are left on the disk */
    record Shelf(List<ShelfEntry> sessions, long free) {}

    @GetMapping
    Shelf shelf() throws IOException {
        return new Shelf(sessions.shelf(store), dataFolder.bytesFree());
    }

    record Duplicate(String id) {}

    @Operation(description = "Makes another session of how this one stands now, with its handoffs; nothing is printed.")
    @PostMapping("/{id}/duplicate")
    @ResponseStatus(HttpStatus.CREATED)
    Duplicate duplicate(@PathVariable String id) throws IOException {
        return new Duplicate(inUse.bringing(() -> sessions.duplicate(id)).id());
    }

    @GetMapping("/{id}")
    SessionState get(@PathVariable String id) {
        return sessions.get(id);
    }

    /**
     * @param name   what the session is to be called; else it is called after what came
     * @param folder that the files lay in, where they lay in one
     */
    @PostMapping(path = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    Imported bringIn(
            @RequestPart("file") List<MultipartFile> files,
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable String folder)
            throws IOException {
        return drops.of(files, drop -> keep(drop, name, folder));
    }

    /**
     * @param uploads ids of files that have arrived, in the order they are to be laid out
     * @param name    what the session is to be called; else it is called after what came
     * @param folder  that the files lay in, where they lay in one
     * @param watch   a name of one's own under which progress can be asked for
     */
    record ArrivedSession(
            List<String> uploads, @Nullable String name, @Nullable String folder, @Nullable String watch) {}

    @Operation(description = "Makes a session of files that arrived piece by piece.")
    @PostMapping("/import/arrived")
    @ResponseStatus(HttpStatus.CREATED)
    Imported bringInArrived(@RequestBody ArrivedSession arrived) throws IOException {
        return drops.ofArrived(
                arrived.uploads(), arrived.watch(), drop -> keep(drop, arrived.name(), arrived.folder()));
    }

    private Imported keep(Drop drop, @Nullable String name, @Nullable String folder) throws IOException {
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        String title = drop.titleOr(name, folder);
        return inUse.bringing(() -> create(new SessionFromDrop(store).make(drop, title, today)));
    }

    private Imported create(SessionFromDrop.Result result) {
        Session session = result.session().orElseThrow(() -> Refused.nothingUsable(result.refused()));
        SessionState state =
                sessions.create(session, "Bring in " + result.brought().size() + " recordings");
        return new Imported(
                state.id(),
                state.revision(),
                result.brought(),
                result.refused(),
                result.remarks(),
                result.missing(),
                Offers.of(session).size());
    }

    @PostMapping("/{id}/edits")
    SessionState edit(@PathVariable String id, @RequestBody EditRequest request) {
        if (request.edit() == null) {
            throw Refused.unusable("The request names no edit.").with("field", "edit");
        }
        return noted(sessions.edit(id, request.revision(), request.edit()));
    }

    @PostMapping("/{id}/undo")
    SessionState undo(@PathVariable String id, @RequestBody StepRequest request) {
        SessionState state = sessions.undo(id, request.revision());
        deeds.note(who.ownerId(), DeedKind.CHANGED, id, "Undo: " + state.redo());
        return state;
    }

    @PostMapping("/{id}/redo")
    SessionState redo(@PathVariable String id, @RequestBody StepRequest request) {
        return noted(sessions.redo(id, request.revision()));
    }

    private SessionState noted(SessionState state) {
        deeds.note(who.ownerId(), DeedKind.CHANGED, state.id(), state.undo() == null ? "" : state.undo());
        return state;
    }
}
