package apodex.intake;

import apodex.align.Sighting;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;

/**
 * Where a file will lie.
 *
 * @param frame    of the session; may be negative as long as it is only proposed
 * @param by       what says so
 * @param found    where the reference has it; null when it was not looked for, or could not be
 * @param inverted its polarity will be turned
 */
public record Place(long frame, By by, @Nullable Sighting found, boolean inverted) {
    /** What a place is known by, the surest first. */
    public enum By {
        /** A list or timeline, or a saved session, that came with it. */
        @JsonProperty("list")
        LIST,
        /** The time reference in the file. */
        @JsonProperty("stamp")
        STAMP,
        /** Somebody said so. */
        @JsonProperty("hand")
        HAND,
        /** Where the reference mix, or a twin, has it; somebody agreed. */
        @JsonProperty("alignment")
        ALIGNMENT,
        /** Nothing: it starts with the session. */
        @JsonProperty("start")
        START
    }

    static Place start() {
        return new Place(0, By.START, null, false);
    }

    Place at(long other, By why) {
        return new Place(other, why, found, inverted);
    }

    Place with(Sighting other) {
        return new Place(frame, by, other, inverted);
    }

    Place turned(boolean other) {
        return new Place(frame, by, found, other);
    }
}
