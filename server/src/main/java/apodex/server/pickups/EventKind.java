package apodex.server.pickups;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What a receiver did. */
public enum EventKind {
    @JsonProperty("opened")
    OPENED,
    /** Fetched a zip or a file. */
    @JsonProperty("fetched")
    FETCHED,
    /** Says that all arrived. */
    @JsonProperty("arrived")
    ARRIVED,
    /** Names a problem. */
    @JsonProperty("problem")
    PROBLEM
}
