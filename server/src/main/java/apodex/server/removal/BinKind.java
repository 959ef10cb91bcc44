package apodex.server.removal;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What can lie in the bin. */
enum BinKind {
    @JsonProperty("session")
    SESSION,
    @JsonProperty("handoff")
    HANDOFF,
    @JsonProperty("run")
    RUN
}
