package apodex.signal;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Where a file of one channel sits in the session it was taken from. */
public enum Placed {
    /** In the middle; and every file of two channels. */
    @JsonProperty("middle")
    MIDDLE,
    /** On the left side alone. */
    @JsonProperty("left")
    LEFT,
    /** On the right side alone. */
    @JsonProperty("right")
    RIGHT
}
