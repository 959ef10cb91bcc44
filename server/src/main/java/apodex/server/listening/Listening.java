package apodex.server.listening;

import apodex.server.web.Refused;
import apodex.session.Session;
import apodex.signal.Recordings;
import apodex.time.FrameRange;
import java.util.concurrent.Semaphore;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Lets a few people listen at once. */
@Service
public class Listening {
    private static final int AT_ONCE = 4;

    private final Semaphore places = new Semaphore(AT_ONCE);

    /**
     * A session's sound as interleaved stereo floats, little-endian, at its rate, while the engine works.
     *
     * @throws Refused (409) when too many listen
     */
    public StreamingResponseBody to(Session session, FrameRange range, Recordings recordings) {
        if (!places.tryAcquire()) {
            throw Refused.conflict("Too many listen at once; stop one of them first.");
        }
        ListenStream stream = new ListenStream(session, range, recordings);
        try {
            stream.begin();
        } catch (RuntimeException e) {
            leave(recordings);
            throw e;
        }
        return out -> {
            try {
                stream.to(out);
            } finally {
                leave(recordings);
            }
        };
    }

    private void leave(Recordings recordings) {
        places.release();
        if (recordings instanceof AutoCloseable once) {
            close(once);
        }
    }

    /** What goes before the sound. Its length is told, so that a sound that breaks off does not pass for all of it. */
    public static ResponseEntity.BodyBuilder head(FrameRange range) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .header(HttpHeaders.CONNECTION, "close") // or whoever hears a sound that broke off waits for the rest
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .contentLength(range.frames() * ListenStream.FRAME_BYTES);
    }

    /** Whether somebody listens now. */
    public boolean isHeard() {
        return places.availablePermits() < AT_ONCE;
    }

    private static void close(AutoCloseable once) {
        try {
            once.close();
        } catch (Exception e) {
            throw new IllegalStateException("What was unpacked for listening could not be removed.", e);
        }
    }
}
