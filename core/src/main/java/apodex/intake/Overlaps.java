package apodex.intake;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What sounds where clips of one list lie over each other. */
public enum Overlaps {
    /** All of them. */
    @JsonProperty("summed")
    SUMMED,
    /** The one that the list names last. */
    @JsonProperty("laterOnTop")
    LATER_ON_TOP
}
