package apodex.signal;

import apodex.measure.Overview;
import apodex.measure.StereoImage;
import apodex.time.FrameRange;
import java.io.IOException;

/** Recordings whose loudness and width are known without reading them through. */
public interface MeasuredRecordings extends Recordings {
    /** Opens a recording's overview; the caller closes it. */
    Overview overview(String sha256) throws IOException;

    /**
     * How loud the sides of a stretch are.
     *
     * @param firstChannel of the recording, from 0
     * @param channels     1 or 2
     * @param stretch      frames of the recording, at its own rate
     */
    default StereoImage image(String sha256, int firstChannel, int channels, FrameRange stretch) throws IOException {
        try (Overview overview = overview(sha256)) {
            return overview.measure(firstChannel, channels, stretch);
        }
    }
}
