package apodex.server.runs;

import java.nio.channels.ClosedByInterruptException;
import java.util.concurrent.CancellationException;

/**
 * What it looks like when the thread of a run is called off, since the server goes down: files close, streams of the storage end, each with
 * an exception of its own, and not all of them leave the thread knowing it.
 */
final class CalledOff {
    private CalledOff() {}

    static boolean isIn(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof InterruptedException || cause instanceof ClosedByInterruptException) {
                return true;
            }
        }
        return Thread.currentThread().isInterrupted();
    }

    /** @throws CancellationException where it is no failure: what was under way is begun again */
    static void refuse(Throwable thrown) {
        if (isIn(thrown)) {
            throw (CancellationException) new CancellationException("The server is going down.").initCause(thrown);
        }
    }
}
