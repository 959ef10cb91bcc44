package apodex.signal;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Where on the signal path a file is taken. */
public enum Station {
    /** An audio row's clips with their gain and fades, and nothing else. */
    @JsonProperty("raw")
    RAW("Raw"),
    /** After level and pan; of the mix row, the reference mix. */
    @JsonProperty("fader")
    FADER("Fader");

    private final String label;

    Station(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
