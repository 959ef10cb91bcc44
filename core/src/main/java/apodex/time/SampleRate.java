package apodex.time;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.math.BigDecimal;

/**
 * Frames per second.
 *
 * @param hertz from {@value #LOWEST_HERTZ} to {@value #HIGHEST_HERTZ}
 */
public record SampleRate(int hertz) {
    public static final int LOWEST_HERTZ = 8_000;
    public static final int HIGHEST_HERTZ = 384_000;

    /** @throws IllegalArgumentException outside the range */
    public SampleRate {
        if (!isUsable(hertz)) {
            throw new IllegalArgumentException("A sample rate must be from 8 to 384 kHz, not " + hertz + " Hz.");
        }
    }

    /** Frames per second. */
    @JsonCreator
    public static SampleRate of(int hertz) {
        return new SampleRate(hertz);
    }

    /** Whether a file of this rate can be read and written here. */
    public static boolean isUsable(long hertz) {
        return hertz >= LOWEST_HERTZ && hertz <= HIGHEST_HERTZ;
    }

    @Override
    @JsonValue
    public int hertz() {
        return hertz;
    }

    /** Length of {@code frames} in seconds. */
    public double seconds(long frames) {
        return (double) frames / hertz;
    }

    /** As people say it: {@code 48 kHz}, {@code 44.1 kHz}. */
    public String label() {
        return kilohertz() + " kHz";
    }

    /** The number alone, for names: {@code 48}, {@code 44.1}. */
    public String kilohertz() {
        return BigDecimal.valueOf(hertz, 3).stripTrailingZeros().toPlainString();
    }
}
