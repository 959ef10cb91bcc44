package apodex.server.runs;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Where a run is in its life. */
public enum RunState {
    @JsonProperty("waiting")
    WAITING,
    @JsonProperty("printing")
    PRINTING,
    @JsonProperty("proofing")
    PROOFING,
    @JsonProperty("done")
    DONE,
    @JsonProperty("failed")
    FAILED,
    @JsonProperty("cancelled")
    CANCELLED;

    /** True when nothing will change any more. */
    public boolean isOver() {
        return this == DONE || this == FAILED || this == CANCELLED;
    }
}
