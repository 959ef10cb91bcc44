package apodex.instrument;

import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;

/**
 * A note on a timeline of quarter notes.
 *
 * @param quarter  where it starts, in quarter notes from the song's start
 * @param quarters how long it is held, in quarter notes
 * @param pitch    MIDI note number: 60 is middle C
 * @param velocity 1 to 127
 * @param release  how fast the key is let go, 1 to 127; null where nothing says so. House instruments do not mind
 */
public record Note(double quarter, double quarters, int pitch, int velocity, @Nullable Integer release) {
    /** One whose letting go nothing is said of. */
    public Note(double quarter, double quarters, int pitch, int velocity) {
        this(quarter, quarters, pitch, velocity, null);
    }

    /** The same, somewhere else and as long as said. */
    public Note at(double otherQuarter, double otherQuarters) {
        return new Note(otherQuarter, otherQuarters, pitch, velocity, release);
    }

    /** Whether pitch and velocity are such as MIDI 1.0 knows, and time is within a million quarters. */
    @JsonIgnore
    public boolean isPlayable() {
        return quarter >= 0
                && quarter < 1e6
                && quarters > 0
                && quarters < 1e6
                && pitch >= 0
                && pitch <= 127
                && velocity >= 1
                && velocity <= 127
                && (release == null || release >= 1 && release <= 127);
    }

    /** Equal temperament, A at 440 Hz. */
    double hertz() {
        return 440 * StrictMath.pow(2, (pitch - 69) / 12.0);
    }

    /** How hard it is struck, 0 to 1. */
    double force() {
        return velocity / 127.0;
    }

    /** A seed of its own for noise. */
    long seed() {
        return Double.doubleToLongBits(quarter) * 31 + pitch;
    }
}
