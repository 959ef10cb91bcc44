package apodex.audio;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How one sample is stored in a file. Integer formats carry full scale at 2^(bits-1). */
public enum SampleFormat {
    /** Eight bits, offset binary, as WAV keeps them. */
    @JsonProperty("uint8")
    UINT8(8, false),
    /** Eight bits, two's complement, as AIFF keeps them. */
    @JsonProperty("int8")
    INT8(8, false),
    @JsonProperty("int16")
    INT16(16, false),
    @JsonProperty("int24")
    INT24(24, false),
    @JsonProperty("int32")
    INT32(32, false),
    @JsonProperty("float32")
    FLOAT32(32, true),
    @JsonProperty("float64")
    FLOAT64(64, true);

    private final int bits;
    private final boolean floating;

    SampleFormat(int bits, boolean floating) {
        this.bits = bits;
        this.floating = floating;
    }

    /** Bits of one sample. */
    public int bits() {
        return bits;
    }

    /** Bytes of one sample of one channel. */
    public int bytes() {
        return bits / 8;
    }

    /** Whether a sample may be beyond full scale. */
    public boolean isFloat() {
        return floating;
    }

    /** The highest amplitude that is full scale: of integers the highest value lies one step below 1. */
    public double fullScale() {
        return floating ? 1 : 1 - Math.scalb(1.0, 1 - bits);
    }

    /** Bits of an integer this format keeps exactly: a 32-bit float has a 24-bit significand. */
    public int exactIntegerBits() {
        return this == FLOAT32 ? 24 : this == FLOAT64 ? 53 : bits;
    }

    /** True when every sample of {@code source} has the same value in this format, so that printing is exact. */
    public boolean holdsExactly(SampleFormat source) {
        if (source.floating) {
            return floating && bits >= source.bits;
        }
        return exactIntegerBits() >= source.bits;
    }

    /** As people say it: {@code 24-bit}, {@code 32-bit float}. */
    public String label() {
        return bits + "-bit" + (floating ? " float" : "");
    }
}
