package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What the sound of notes is. */
public enum SoundFrom {
    /** The house instrument. */
    @JsonProperty("house")
    HOUSE,
    /** Something that is not here. The house instrument stands in for listening, and is in no file. */
    @JsonProperty("elsewhere")
    ELSEWHERE
}
