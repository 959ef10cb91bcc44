package apodex.signal;

import apodex.measure.Overview;
import java.io.IOException;

/** Recordings whose loudness and width are known without reading them through. */
public interface MeasuredRecordings extends Recordings {
    /** Opens a recording's overview; the caller closes it. */
    Overview overview(String sha256) throws IOException;
}
