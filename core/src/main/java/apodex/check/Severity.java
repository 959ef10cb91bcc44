package apodex.check;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How much a finding matters, worst first. */
public enum Severity {
    /** A print would be wrong or impossible. */
    @JsonProperty("stops")
    STOPS,
    /** Somebody should look. */
    @JsonProperty("look")
    LOOK,
    /** Good to know. */
    @JsonProperty("know")
    KNOW
}
