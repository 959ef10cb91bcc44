package apodex.signal;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How the effects of buses and of the mix act on a single row at Bus and Mix. */
public enum Dynamics {
    /**
     * Gains and curves are those of the whole sum, applied to the row's share; linear effects run on the share. The
     * prints of all rows add up to the mix.
     */
    @JsonProperty("inPlace")
    IN_PLACE,
    /** As heard in solo: the chain is driven by the row alone. The prints do not add up. */
    @JsonProperty("alone")
    ALONE
}
