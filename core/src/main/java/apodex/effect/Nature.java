package apodex.effect;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What an effect does to a sum, and so how a part of the sum can be sent through it. */
public enum Nature {
    /** The effect on a sum is the sum of its effects on the parts. */
    @JsonProperty("linear")
    LINEAR,
    /** It turns the level up and down, following what it hears. */
    @JsonProperty("gain")
    GAIN,
    /** Each output sample is a curve of the input sample. */
    @JsonProperty("shaper")
    SHAPER,
    /** Several units in a row, of different natures. */
    @JsonProperty("chain")
    CHAIN
}
