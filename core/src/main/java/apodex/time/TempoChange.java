package apodex.time;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * A tempo from some point of the song on.
 *
 * @param quarter           where, in quarter notes from the song's start
 * @param quartersPerMinute the tempo there
 * @param way               how it is reached from the change before it
 */
public record TempoChange(double quarter, double quartersPerMinute, Way way) {
    /** How a tempo is reached. */
    public enum Way {
        /** The tempo before it holds until here. */
        @JsonProperty("jump")
        JUMP,
        /** The tempo goes here in a straight line over the quarter notes since the change before it. */
        @JsonProperty("glide")
        GLIDE
    }

    /** @throws IllegalArgumentException outside the range */
    public TempoChange {
        way = way == null ? Way.JUMP : way;
        if (!(quarter >= 0 && quarter < 1e6)) {
            throw new IllegalArgumentException("A tempo change cannot stand at quarter note " + quarter + ".");
        }
        if (!(quartersPerMinute >= TempoMap.SLOWEST && quartersPerMinute <= TempoMap.FASTEST)) {
            throw new IllegalArgumentException(
                    "A tempo must be from 10 to 999 beats a minute, not " + quartersPerMinute + ".");
        }
    }
}
