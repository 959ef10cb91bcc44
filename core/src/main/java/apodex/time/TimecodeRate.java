package apodex.time;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How many frames of picture a second of timecode counts (SMPTE ST 12-1), and how they are numbered. */
public enum TimecodeRate {
    @JsonProperty("23.976")
    FPS_23_976(24, 1_001, false, "23.976"),
    @JsonProperty("24")
    FPS_24(24, 1_000, false, "24"),
    @JsonProperty("25")
    FPS_25(25, 1_000, false, "25"),
    @JsonProperty("29.97")
    FPS_29_97(30, 1_001, false, "29.97"),
    @JsonProperty("29.97 drop")
    FPS_29_97_DROP(30, 1_001, true, "29.97 drop-frame"),
    @JsonProperty("30")
    FPS_30(30, 1_000, false, "30"),
    @JsonProperty("50")
    FPS_50(50, 1_000, false, "50"),
    @JsonProperty("59.94")
    FPS_59_94(60, 1_001, false, "59.94"),
    @JsonProperty("59.94 drop")
    FPS_59_94_DROP(60, 1_001, true, "59.94 drop-frame"),
    @JsonProperty("60")
    FPS_60(60, 1_000, false, "60");

    private static final Pattern WRITTEN =
            Pattern.compile("(\\d{1,2}):(\\d{2}):(\\d{2})[:;.](\\d{2})(?:[.](\\d{1,3}))?");
    private static final int SECONDS_A_MINUTE = 60;
    private static final int MINUTES_AN_HOUR = 60;
    /** Drop-frame numbering keeps all frames of every tenth minute. */
    private static final int KEPT_MINUTE = 10;

    private final int counted;
    private final int milli;
    private final boolean drops;
    private final String words;

    TimecodeRate(int counted, int milli, boolean drops, String words) {
        this.counted = counted;
        this.milli = milli;
        this.drops = drops;
        this.words = words;
    }

    /** For people. */
    public String words() {
        return words;
    }

    /** Whether a text is a timecode: two digits each for hours, minutes, seconds and frames. */
    public static boolean isWritten(String text) {
        return WRITTEN.matcher(text).matches();
    }

    /**
     * Seconds from 00:00:00:00; empty when the text is no timecode of this rate.
     *
     * @param text {@code 01:00:03:12}, with a semicolon before the frames where numbers are dropped; a share of a frame may follow
     */
    public Optional<Double> seconds(String text) {
        Matcher matcher = WRITTEN.matcher(text);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        long minute = Long.parseLong(matcher.group(2));
        long minutes = Long.parseLong(matcher.group(1)) * MINUTES_AN_HOUR + minute;
        long seconds = Long.parseLong(matcher.group(3));
        long frame = Long.parseLong(matcher.group(4));
        double share = matcher.group(5) == null ? 0 : Double.parseDouble("0." + matcher.group(5));
        int dropped = drops ? counted / 15 : 0; // two of thirty, four of sixty
        boolean isDropped = frame < dropped && seconds == 0 && minutes % KEPT_MINUTE != 0;
        if (seconds >= SECONDS_A_MINUTE || minute >= MINUTES_AN_HOUR || frame >= counted || isDropped) {
            return Optional.empty();
        }
        long number = (minutes * SECONDS_A_MINUTE + seconds) * counted + frame;
        long passed = number - dropped * (minutes - minutes / KEPT_MINUTE);
        return Optional.of((passed + share) * milli / (1_000.0 * counted));
    }
}
