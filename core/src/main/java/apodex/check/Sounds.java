package apodex.check;

import apodex.measure.SoundScan;
import apodex.signal.MeasuredRecordings;
import java.util.Optional;

/** What checks can ask about recordings. */
public interface Sounds extends MeasuredRecordings {
    /** How a recording stands in the store. */
    enum Standing {
        THERE,
        MISSING,
        CHANGED
    }

    Standing standing(String sha256);

    /** What reading every sample gave; empty while nobody has. */
    Optional<SoundScan> scan(String sha256);
}
