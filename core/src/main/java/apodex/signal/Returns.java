package apodex.signal;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What becomes of returns when rows are printed at Bus or Mix. */
public enum Returns {
    /** Each return is a file of its own; rows come without it. */
    @JsonProperty("ownFiles")
    OWN_FILES,
    /** Every row carries its own share of the returns it sends to. */
    @JsonProperty("sharedOut")
    SHARED_OUT,
    /** They are in no file but the mix. */
    @JsonProperty("leftOut")
    LEFT_OUT
}
