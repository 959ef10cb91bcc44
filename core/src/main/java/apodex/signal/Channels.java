package apodex.signal;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What of a row's two sides goes into a file. */
public enum Channels {
    /** One channel: the left side, or all there is of a mono row. */
    @JsonProperty("monoFromLeft")
    MONO_FROM_LEFT(1),
    /** One channel: the right side, where the left is silent. */
    @JsonProperty("monoFromRight")
    MONO_FROM_RIGHT(1),
    /** One channel: half of the sum of both sides; of two equal sides, the side. */
    @JsonProperty("monoSum")
    MONO_SUM(1),
    /** Two channels; a mono sound on both. */
    @JsonProperty("stereo")
    STEREO(2),
    /** Two channels while it is printed, one in the end when its sides turn out to be alike or one to be silent. */
    @JsonProperty("measured")
    MEASURED(2);

    private final int count;

    Channels(int count) {
        this.count = count;
    }

    /** Channels of the file; until it is measured, as many as it can have. */
    public int count() {
        return count;
    }

    /** The side that output channel {@code channel} takes: 0 left, 1 right. */
    public int side(int channel) {
        return this == MONO_FROM_RIGHT ? 1 : channel;
    }
}
