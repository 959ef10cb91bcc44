package apodex.handoff;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.session.Recording;
import apodex.session.Session;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Arrays;
import java.util.Comparator;

/** Sample formats a print can have. */
public enum Depth {
    @JsonProperty("int16")
    INT16(SampleFormat.INT16),
    @JsonProperty("int24")
    INT24(SampleFormat.INT24),
    @JsonProperty("int32")
    INT32(SampleFormat.INT32),
    @JsonProperty("float32")
    FLOAT32(SampleFormat.FLOAT32);

    private final SampleFormat sample;

    Depth(SampleFormat sample) {
        this.sample = sample;
    }

    /** How a sample of it is written. */
    public SampleFormat sample() {
        return sample;
    }

    /**
     * The recordings' own depth: the least that keeps each of them exactly. Of a session that has both float and 32-bit
     * integer recordings, float, since integers cannot keep what passes full scale.
     */
    static Depth own(Session session) {
        return session.recordings().stream()
                .map(Recording::sample)
                .map(Depth::leastFor)
                .max(Comparator.naturalOrder())
                .orElse(INT24);
    }

    /** This, or the deepest that a kind of file holds. */
    Depth within(FileKind kind) {
        return Arrays.stream(values())
                .filter(each -> each.compareTo(this) <= 0
                        && kind.cannotHold(each.sample()).isEmpty())
                .max(Comparator.naturalOrder())
                .orElse(INT16);
    }

    private static Depth leastFor(SampleFormat sample) {
        return switch (sample) {
            case UINT8, INT8, INT16 -> INT16;
            case INT24 -> INT24;
            case INT32 -> INT32;
            case FLOAT32, FLOAT64 -> FLOAT32;
        };
    }
}
