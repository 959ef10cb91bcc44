package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * The gentle start or end of a clip.
 *
 * @param frames length; 0 for none
 * @param curve  how the gain goes
 */
public record Fade(long frames, Curve curve) {
    public static final Fade NONE = new Fade(0, Curve.STRAIGHT);

    public Fade {
        curve = curve == null ? Curve.STRAIGHT : curve;
    }

    /** How the gain goes from nothing to one, with {@code x} the share of the fade that has passed. */
    public enum Curve {
        /** {@code x}: two clips that are alike keep their sum. */
        @JsonProperty("straight")
        STRAIGHT,
        /** {@code sin(x pi/2)}: two clips that are unlike keep their power. */
        @JsonProperty("equalPower")
        EQUAL_POWER,
        /** {@code (1 - cos(x pi)) / 2}: soft at both ends. */
        @JsonProperty("soft")
        SOFT,
        /** {@code x^2}: stays low for long, as loudness is heard. */
        @JsonProperty("slow")
        SLOW;

        /** As people say it. */
        public String words() {
            return this == EQUAL_POWER ? "equal power" : name().toLowerCase(Locale.ROOT);
        }

        /** The curve of these {@link #words}. */
        public static Optional<Curve> called(String words) {
            return Arrays.stream(values())
                    .filter(curve -> curve.words().equals(words.toLowerCase(Locale.ROOT)))
                    .findFirst();
        }

        /** The gain after a share {@code x} of the fade, 0 to 1. */
        public double gain(double x) {
            return switch (this) {
                case STRAIGHT -> x;
                case EQUAL_POWER -> StrictMath.sin(x * Math.PI / 2);
                case SOFT -> (1 - StrictMath.cos(x * Math.PI)) / 2;
                case SLOW -> x * x;
            };
        }
    }

    /** One whose amplitude goes in a straight line. */
    public static Fade straight(long frames) {
        return new Fade(frames, Curve.STRAIGHT);
    }
}
