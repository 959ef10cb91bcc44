package apodex.signal;

import apodex.audio.PcmReader;
import java.io.IOException;

/** Where the recordings of a session are read from. */
public interface Recordings {
    /** Opens a recording for reading; the caller closes it. */
    PcmReader open(String sha256) throws IOException;
}
