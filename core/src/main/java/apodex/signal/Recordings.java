package apodex.signal;

import apodex.audio.PcmReader;
import apodex.measure.Overview;
import java.io.IOException;

/** Where the recordings of a session are read from. */
public interface Recordings {
    /** Opens a recording for reading; the caller closes it. */
    PcmReader open(String sha256) throws IOException;

    /** Opens a recording's overview; the caller closes it. */
    Overview overview(String sha256) throws IOException;
}
