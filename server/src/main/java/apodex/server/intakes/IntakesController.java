package apodex.server.intakes;

import apodex.intake.ClipListForm;
import apodex.intake.Correction;
import apodex.intake.Intake;
import apodex.intake.IntakeSum;
import apodex.intake.RecordingStore;
import apodex.intake.Refusal;
import apodex.intake.Reply;
import apodex.intake.TableReading;
import apodex.server.arrivals.Drops;
import apodex.server.listening.Listening;
import apodex.server.web.Refused;
import apodex.server.web.Streamed;
import apodex.session.Session;
import apodex.time.FrameRange;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/intakes")
class IntakesController {
    private final Intakes intakes;
    private final Drops drops;
    private final RecordingStore store;
    private final Listening listening;

    IntakesController(Intakes intakes, Drops drops, RecordingStore store, Listening listening) {
        this.intakes = intakes;
        this.drops = drops;
        this.store = store;
        this.listening = listening;
    }

    /**
     * @param uploads ids of files that have arrived, in the order they are to be laid out
     * @param name    what the session is to be called; else it is called after what came
     * @param folder  that the files lay in, where they lay in one
     * @param watch   a name of one's own under which progress can be asked for
     * @param refused what was turned away before it arrived, to be told with the rest
     * @param session id of the session it is to be added to; null: it becomes one of its own
     * @param at      frame of that session for what says nothing of its place
     */
    record Arrived(
            List<String> uploads,
            @Nullable String name,
            @Nullable String folder,
            @Nullable String watch,
            @Nullable List<Refusal> refused,
            @Nullable String session,
            @Nullable Long at) {}

    /** @param revision the intake's revision the correction was made against */
    record CorrectionRequest(int revision, Correction correction) {}

    record StepRequest(int revision) {}

    /**
     * @param id    of the session
     * @param words what happened in a session that was there already, a sentence for each thing worth saying
     */
    record Made(String id, List<String> words) {}

    @Operation(description = "Examines files that arrived piece by piece; nothing becomes a session yet.")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    IntakeState examine(@RequestBody Arrived arrived) throws IOException {
        return drops.ofArrived(arrived.uploads(), arrived.watch(), drop -> {
            if (arrived.refused() != null) {
                arrived.refused().forEach(refusal -> drop.refuse(refusal.file(), refusal.reason()));
            }
            return arrived.session() == null
                    ? intakes.examine(drop, drop.titleOr(arrived.name(), arrived.folder()))
                    : intakes.examineFor(drop, arrived.session(), arrived.at() == null ? 0 : arrived.at());
        });
    }

    @Operation(description = "Intakes of which no session was made yet, the newest first.")
    @GetMapping
    List<IntakeMapper.Waiting> waiting() {
        return intakes.waiting();
    }

    @GetMapping("/{id}")
    IntakeState get(@PathVariable String id) {
        return intakes.get(id);
    }

    @PostMapping("/{id}/corrections")
    IntakeState correct(@PathVariable String id, @RequestBody CorrectionRequest request) {
        if (request.correction() == null) {
            throw Refused.unusable("The request names no correction.").with("field", "correction");
        }
        return intakes.correct(id, request.revision(), request.correction());
    }

    /** @param form in which the table is read; null for the way it is read now, or is likely meant */
    record PreviewRequest(@Nullable ClipListForm form) {}

    /** @param remembered whether every table with these headings is read so from now on */
    record ReadRequest(int revision, ClipListForm form, Intakes.Remembered remembered) {}

    @Operation(description = "What a table that came would lay out, read in some way.")
    @PostMapping("/{id}/tables/{file}/preview")
    TableReading.Preview preview(
            @PathVariable String id, @PathVariable String file, @RequestBody PreviewRequest request)
            throws IOException {
        return told(() -> intakes.preview(id, file, request.form()));
    }

    @Operation(description = "Reads a table that came as a list of clips, or of tracks.")
    @PostMapping("/{id}/tables/{file}")
    IntakeState read(@PathVariable String id, @PathVariable String file, @RequestBody ReadRequest request)
            throws IOException {
        if (request.form() == null) {
            throw Refused.unusable("The request says no form.").with("field", "form");
        }
        return told(() -> intakes.read(id, request.revision(), file, request.form(), request.remembered()));
    }

    private interface Reading<T> {
        T read() throws IOException;
    }

    private static <T> T told(Reading<T> reading) throws IOException {
        try {
            return reading.read();
        } catch (IllegalArgumentException e) {
            throw Refused.unusable(e.getMessage());
        }
    }

    @PostMapping("/{id}/undo")
    IntakeState undo(@PathVariable String id, @RequestBody StepRequest request) {
        return intakes.undo(id, request.revision());
    }

    @PostMapping("/{id}/redo")
    IntakeState redo(@PathVariable String id, @RequestBody StepRequest request) {
        return intakes.redo(id, request.revision());
    }

    @Operation(description = "Makes the session that the intake shows; the intake is over with that.")
    @PostMapping("/{id}/session")
    @ResponseStatus(HttpStatus.CREATED)
    Made make(@PathVariable String id, @RequestBody StepRequest request) throws IOException {
        return intakes.make(id, request.revision());
    }

    @Operation(description = "Gives an intake up: nothing of it becomes a session.")
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void giveUp(@PathVariable String id) {
        intakes.giveUp(id);
    }

    /**
     * Files together as they will lie, as interleaved stereo floats, little-endian, at the session's rate: the reference to the left
     * where a single file is held against it.
     *
     * @param from  first frame
     * @param to    the frame after the last
     * @param files ids
     * @param found whether they lie where the reference has them, instead of where they would
     */
    @GetMapping(path = "/{id}/sound", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<StreamingResponseBody> sound(
            @PathVariable String id,
            @RequestParam long from,
            @RequestParam long to,
            @RequestParam Set<String> files,
            @RequestParam(defaultValue = "false") boolean found) {
        Intake intake = intakes.now(id);
        Session heard = intake.together(files, found);
        long end = Math.min(to, heard.frames());
        if (from < 0 || from >= end) {
            throw Refused.unusable("There is nothing to hear from there on.").with("field", "from");
        }
        FrameRange range = new FrameRange(from, end);
        return Streamed.of(Listening.head(range), () -> listening.to(heard, range, store));
    }

    @Operation(description = "How much of the reference the files explain as they would lie; reads all of them.")
    @GetMapping("/{id}/sum")
    IntakeSum sum(@PathVariable String id) throws IOException {
        try {
            return IntakeSum.of(intakes.now(id), store);
        } catch (IllegalArgumentException e) {
            throw Refused.unusable(e.getMessage());
        }
    }

    @Operation(description = "What to write back to the sender, to be pasted into a message.")
    @GetMapping(path = "/{id}/reply.txt", produces = "text/plain;charset=UTF-8")
    String replyText(@PathVariable String id) {
        return Reply.of(intakes.now(id)).text();
    }

    @Operation(description = "What to write back to the sender, as a page.")
    @GetMapping(path = "/{id}/reply.html", produces = "text/html;charset=UTF-8")
    String replyPage(@PathVariable String id) {
        return Reply.of(intakes.now(id)).html();
    }
}
