package apodex.server.listening;

import apodex.intake.RecordingStore;
import apodex.server.sessions.Sessions;
import apodex.server.web.Refused;
import apodex.server.web.Streamed;
import apodex.session.Alone;
import apodex.session.Session;
import apodex.time.FrameRange;
import jakarta.annotation.Nullable;
import java.util.Set;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
class ListenController {
    private final Sessions sessions;
    private final RecordingStore store;
    private final Listening listening;

    ListenController(Sessions sessions, RecordingStore store, Listening listening) {
        this.sessions = sessions;
        this.store = store;
        this.listening = listening;
    }

    private void refuseMissing(Session session) {
        session.rows().stream().filter(row -> !row.strip().muted()).forEach(row -> row.heardClips().stream()
                .filter(clip -> !store.has(clip.recording()))
                .findFirst()
                .ifPresent(clip -> {
                    throw Refused.unusable(
                            "“" + session.recording(clip.recording()).fileName() + "” of row “" + row.name()
                                    + "” is missing. Drop the file on the session, or mute the row.");
                }));
    }

    /**
     * The session's sound as interleaved stereo floats, little-endian, at its rate.
     *
     * @param from first frame
     * @param to   the frame after the last; null for the song's end
     * @param rows ids of the rows to hear alone; null for those that are soloed, or else all
     */
    @GetMapping(path = "/api/sessions/{id}/sound", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<StreamingResponseBody> sound(
            @PathVariable String id,
            @RequestParam long from,
            @RequestParam(required = false) @Nullable Long to,
            @RequestParam(required = false) @Nullable Set<String> rows) {
        Session session = sessions.get(id).session().withStandIns();
        long end = to == null ? session.frames() : Math.min(to, session.frames());
        if (from < 0 || from >= end) {
            throw Refused.unusable("There is nothing to hear from there on.").with("field", "from");
        }
        Session heard = Alone.of(session, rows == null ? Set.of() : rows);
        refuseMissing(heard);
        FrameRange range = new FrameRange(from, end);
        return Streamed.of(Listening.head(range), () -> listening.to(heard, range, store));
    }
}
