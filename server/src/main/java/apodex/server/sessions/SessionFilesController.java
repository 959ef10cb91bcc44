package apodex.server.sessions;

import apodex.audio.WorkFolder;
import apodex.intake.AddToSession;
import apodex.intake.Drop;
import apodex.intake.DropExaminer;
import apodex.intake.Intake;
import apodex.intake.Offers;
import apodex.intake.Offers.Offer;
import apodex.intake.RecordingStore;
import apodex.intake.Refusal;
import apodex.intake.SessionFile;
import apodex.intake.StereoPair;
import apodex.naming.SafeName;
import apodex.server.DataFolder;
import apodex.server.arrivals.Drops;
import apodex.server.recordings.RecordingsInUse;
import apodex.server.web.Refused;
import apodex.server.web.Streamed;
import apodex.session.AudioRow;
import apodex.session.Session;
import apodex.session.SessionEdit;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Files that go into a session that is there already, and the session as a file. */
@RestController
@RequestMapping("/api/sessions/{id}")
class SessionFilesController {
    private final Sessions sessions;
    private final RecordingStore store;
    private final DataFolder dataFolder;
    private final RecordingsInUse inUse;
    private final Drops drops;

    SessionFilesController(
            Sessions sessions, RecordingStore store, DataFolder dataFolder, RecordingsInUse inUse, Drops drops) {
        this.inUse = inUse;
        this.drops = drops;
        this.sessions = sessions;
        this.store = store;
        this.dataFolder = dataFolder;
    }

    /** @param words what happened, a sentence for each thing worth saying */
    record Added(int revision, List<String> words, List<Refusal> refused, List<Refusal> remarks) {}

    /** @param left id of the row that becomes the left side */
    record PairRequest(int revision, String left, String right) {}

    /**
     * Brings files in.
     *
     * @param at       frame for recordings that say nothing of their place
     * @param row      id of the audio row whose new take they become; null: rows of their own
     */
    @PostMapping(path = "/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Added add(
            @PathVariable String id,
            @RequestPart("file") List<MultipartFile> files,
            @RequestParam(defaultValue = "0") long at,
            @RequestParam(required = false) @Nullable String row)
            throws IOException {
        sessions.get(id);
        return drops.of(files, drop -> add(id, drop, at, row));
    }

    /**
     * @param uploads ids of files that have arrived, in the order they are to be laid out
     * @param watch   a name of one's own under which progress can be asked for
     */
    record ArrivedFiles(List<String> uploads, long at, @Nullable String row, @Nullable String watch) {}

    @Operation(description = "Brings files in that arrived piece by piece.")
    @PostMapping("/files/arrived")
    Added addArrived(@PathVariable String id, @RequestBody ArrivedFiles arrived) throws IOException {
        sessions.get(id);
        return drops.ofArrived(arrived.uploads(), arrived.watch(), drop -> add(id, drop, arrived.at(), arrived.row()));
    }

    /** As an intake proposes it; what it would ask is left as it came. */
    private Added add(String id, Drop drop, long at, @Nullable String row) throws IOException {
        Path work = dataFolder.newWorkFolder();
        Path kept = dataFolder.newWorkFolder();
        try {
            return inUse.bringing(() -> {
                Session session = sessions.get(id).session();
                Intake intake = new DropExaminer(store, drop)
                        .onto(id, session, at)
                        .examine(session.song().title(), kept);
                AddToSession adding = new AddToSession(store, session);
                if (row != null && SessionEdit.row(session, row) instanceof AudioRow audio) {
                    adding.asTakeOf(audio);
                }
                AddToSession.Result result = adding.add(intake, kept, work);
                int now = sessions.bringIn(id, result.edit(), () -> {});
                return new Added(now, result.words(), intake.refused(), intake.remarks());
            });
        } finally {
            WorkFolder.remove(kept);
            WorkFolder.remove(work);
        }
    }

    /** The session with its recordings, as one zip. */
    @GetMapping(path = "/file", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> file(@PathVariable String id) {
        Session session = sessions.get(id).session();
        String name = SafeName.of(session.song().title()) + " session.zip";
        StreamingResponseBody body = out -> SessionFile.write(session, store, out);
        ResponseEntity.BodyBuilder head = ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString());
        return Streamed.of(head, () -> body);
    }

    /** Rows that look like parts of one. */
    @GetMapping("/offers")
    List<Offer> offers(@PathVariable String id) {
        return Offers.of(sessions.get(id).session());
    }

    /** Makes one stereo row of two. */
    @PostMapping("/pairs")
    SessionState pair(@PathVariable String id, @RequestBody PairRequest request) throws IOException {
        Path work = dataFolder.newWorkFolder();
        try {
            return inUse.bringing(() -> sessions.bringIn(
                    id,
                    request.revision(),
                    StereoPair.join(sessions.get(id).session(), request.left(), request.right(), store, work)));
        } catch (IllegalArgumentException e) {
            throw Refused.unusable(e.getMessage());
        } finally {
            WorkFolder.remove(work);
        }
    }
}
