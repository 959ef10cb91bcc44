package apodex.check;

import apodex.align.Aligner;
import apodex.align.MonoSound;
import apodex.align.Sighting;
import apodex.audio.PcmReader;
import apodex.measure.SoundScan;
import apodex.session.Recording;
import apodex.signal.MeasuredRecordings;
import java.io.IOException;
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

    /** Where a recording lies in another; nothing when either cannot be read. */
    default Sighting sighting(Recording of, Recording in) {
        try (PcmReader sound = open(of.sha256());
                PcmReader reference = open(in.sha256())) {
            return new Aligner(new MonoSound(reference, in.rate())).find(new MonoSound(sound, of.rate()));
        } catch (IOException e) {
            return Sighting.NOTHING;
        }
    }
}
