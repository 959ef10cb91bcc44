package apodex.handoff;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Whether Apodex makes a file with the beat of the tempo map, and where it stands among the others. */
public enum Click {
    @JsonProperty("none")
    NONE,
    @JsonProperty("first")
    FIRST,
    @JsonProperty("last")
    LAST
}
