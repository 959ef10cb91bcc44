package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Arrays;
import java.util.Optional;

/** Where on the signal path a file is taken. */
public enum Station {
    /** Clips with their gain and fades; an instrument's plain sound; of a bus and the mix, the plain sum. */
    @JsonProperty("raw")
    RAW("Raw"),
    /** Raw plus clip inserts and the inserts that are kept. */
    @JsonProperty("shaped")
    SHAPED("Shaped"),
    /** Raw plus all inserts, at unity. */
    @JsonProperty("inserts")
    INSERTS("Inserts"),
    /** After fader, pan, mute and moves; of the mix row, the reference mix. */
    @JsonProperty("fader")
    FADER("Fader"),
    /** On through every bus, up to the mix's door. */
    @JsonProperty("bus")
    BUS("Bus"),
    /** Through the mix's inserts and fader as well. */
    @JsonProperty("mix")
    MIX("Mix");

    private final String label;

    Station(String label) {
        this.label = label;
    }

    /** The one that is called so; empty when none is. */
    public static Optional<Station> called(String label) {
        return Arrays.stream(values())
                .filter(station -> station.label.equals(label))
                .findFirst();
    }

    /** For people. */
    public String label() {
        return label;
    }
}
