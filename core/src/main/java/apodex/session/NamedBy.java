package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Who gave a row its name: what a person typed is never proposed away. */
public enum NamedBy {
    /** It came with the session or the file. */
    @JsonProperty("import")
    IMPORT,
    /** A proposal that was accepted. */
    @JsonProperty("proposal")
    PROPOSAL,
    @JsonProperty("hand")
    HAND
}
