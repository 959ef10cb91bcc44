package apodex.server.access;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What somebody may do with a session; each holds those before it. */
public enum Right {
    /** See and hear it, and fetch what was printed. */
    @JsonProperty("listen")
    LISTEN,
    /** Print, and make links for receivers. */
    @JsonProperty("print")
    PRINT,
    /** Edit it and its handoffs, bring files in, take it out as a file. */
    @JsonProperty("change")
    CHANGE,
    /** Let others in, and remove it. */
    @JsonProperty("own")
    OWN;

    boolean holds(Right other) {
        return compareTo(other) >= 0;
    }
}
