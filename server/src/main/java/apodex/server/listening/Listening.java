package apodex.server.listening;

import apodex.server.DataFolder;
import apodex.server.web.Refused;
import apodex.session.Session;
import apodex.signal.Recordings;
import apodex.time.FrameRange;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Lets a few people listen at once. */
@Service
public class Listening {
    private static final int AT_ONCE = 4;

    private final DataFolder dataFolder;
    private final Semaphore places = new Semaphore(AT_ONCE);

    Listening(DataFolder dataFolder) {
        this.dataFolder = dataFolder;
    }

    /**
     * A session's sound as interleaved stereo floats, little-endian, at its rate, while the engine works.
     *
     * @throws Refused (409) when too many listen
     */
    public StreamingResponseBody to(Session session, FrameRange range, Recordings recordings) {
        if (!places.tryAcquire()) {
            throw Refused.conflict("Too many listen at once; stop one of them first.");
        }
        return out -> {
            try {
                new ListenStream(session, range, recordings, dataFolder.newWorkFolder()).to(out);
            } finally {
                places.release();
                if (recordings instanceof AutoCloseable once) {
                    close(once);
                }
            }
        };
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
