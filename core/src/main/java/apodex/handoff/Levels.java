package apodex.handoff;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How loud files are made. Whatever was done is written down, so that the opposite brings the balance back. */
public enum Levels {
    /** As they come. */
    @JsonProperty("asTheyAre")
    AS_THEY_ARE,
    /** All lowered alike until the loudest has the headroom that is asked for; the balance stays. */
    @JsonProperty("headroom")
    HEADROOM,
    /** Each raised or lowered until its peak lies between -24 and -6 dBFS. */
    @JsonProperty("window")
    WINDOW
}
