package apodex.align;

import apodex.time.SampleRate;
import jakarta.annotation.Nullable;

/**
 * Where a sound lies in a reference.
 *
 * @param frame     of the reference, where the sound's first frame lies; may be negative
 * @param certainty how much can be said for that
 * @param inverted  it lies there with its polarity turned
 * @param gainDb    how much louder than the sound it is in the reference, in dB
 * @param likeness  of the sound and the reference there, 0 to 1: 1 when the reference is the sound and nothing else
 * @param driftPpm  how much faster the sound's clock ran than the reference's, in millionths; 0 when no drift shows
 * @param trueRate  what its rate must be for it to fit, where its header says another
 * @param height    of the peak above what chance makes, in standard deviations
 * @param lead      height over that of the next likely place; 1 when two are as likely
 */
public record Sighting(
        long frame,
        Certainty certainty,
        boolean inverted,
        double gainDb,
        double likeness,
        double driftPpm,
        @Nullable SampleRate trueRate,
        double height,
        double lead) {

    /** That nothing was found. */
    public static final Sighting NOTHING = nothing(0, 0);

    /** How sure a place is. */
    public enum Certainty {
        /** To the sample: independent stretches of the sound all lie there, and nowhere else. */
        SURE,
        /** The likeliest place by far, but not proved to the sample. */
        LIKELY,
        /** Nothing stands out. */
        UNKNOWN
    }

    /** The same, counted from somewhere else. */
    public Sighting at(long other) {
        return new Sighting(other, certainty, inverted, gainDb, likeness, driftPpm, trueRate, height, lead);
    }

    static Sighting nothing(double height, double lead) {
        return new Sighting(0, Certainty.UNKNOWN, false, 0, 0, 0, null, height, lead);
    }
}
