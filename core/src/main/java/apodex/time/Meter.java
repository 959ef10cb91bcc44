package apodex.time;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A time signature such as 3/4.
 *
 * @param beats beats in a bar, 1 to 64
 * @param unit  note value of a beat: 1, 2, 4, 8, 16 or 32
 */
public record Meter(int beats, int unit) {
    public static final Meter FOUR_FOUR = new Meter(4, 4);
    private static final Pattern WRITTEN = Pattern.compile("\\s*(\\d{1,2})\\s*/\\s*(\\d{1,2})\\s*");

    /** @throws IllegalArgumentException when it is no meter */
    public Meter {
        if (beats < 1 || beats > 64 || unit < 1 || unit > 32 || Integer.bitCount(unit) != 1) {
            throw new IllegalArgumentException(
                    "“" + beats + "/" + unit + "” is not a meter: 1 to 64 beats over 1, 2, 4, 8, 16 or 32.");
        }
    }

    /** Reads {@code 3/4}. */
    @JsonCreator
    public static Meter parse(String written) {
        Matcher matcher = WRITTEN.matcher(written == null ? "" : written);
        if (!matcher.matches()) {
            throw new IllegalArgumentException("“" + written + "” is not a meter; write it like 3/4.");
        }
        return new Meter(Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2)));
    }

    /** {@code 3/4} */
    @JsonValue
    public String written() {
        return beats + "/" + unit;
    }

    /** Length of a bar in quarter notes. */
    public double quartersPerBar() {
        return beats * 4.0 / unit;
    }
}
