package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Kinds of rows, and what is asked of them. */
public enum RowKind {
    @JsonProperty("audio")
    AUDIO,
    @JsonProperty("instrument")
    INSTRUMENT,
    @JsonProperty("part")
    PART,
    @JsonProperty("bus")
    BUS,
    @JsonProperty("return")
    RETURN,
    @JsonProperty("mix")
    MIX;

    /** Whether it has sound of its own: all other sound is made of theirs. */
    public boolean isSource() {
        return this == AUDIO || isPlayed();
    }

    /** Whether notes make its sound, so that it follows the tempo. */
    public boolean isPlayed() {
        return this == INSTRUMENT || this == PART;
    }

    /** Whether it is the sum of what its outputs lead to. */
    public boolean isSum() {
        return this == BUS || this == MIX;
    }
}
