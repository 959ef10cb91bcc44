package apodex.examine;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * Something that is odd about a recording.
 *
 * @param kind  what
 * @param words what was heard, in a sentence
 * @param frame where it shows best, at the recording's own rate; 0 where it is everywhere
 */
public record Oddity(Kind kind, String words, long frame) {
    /** What can be odd, and whether it takes anything away from the sound. */
    public enum Kind {
        @JsonProperty("silent")
        SILENT(true),
        @JsonProperty("clipped")
        CLIPPED(true),
        @JsonProperty("offset")
        OFFSET(true),
        @JsonProperty("hum")
        HUM(true),
        @JsonProperty("clickAtStart")
        CLICK_AT_START(true),
        @JsonProperty("startsInSound")
        STARTS_IN_SOUND(true),
        @JsonProperty("endsInSound")
        ENDS_IN_SOUND(true),
        /** Two sides that are one: right, only wider than it needs to be. */
        @JsonProperty("sameOnBothSides")
        SAME_ON_BOTH_SIDES(false),
        @JsonProperty("deadSide")
        DEAD_SIDE(true),
        @JsonProperty("turnedSide")
        TURNED_SIDE(true);

        private final boolean fault;

        Kind(boolean fault) {
            this.fault = fault;
        }

        /** Whether its sender would want to know. */
        public boolean isFault() {
            return fault;
        }
    }
}
