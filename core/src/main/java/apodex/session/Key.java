package apodex.session;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A musical key such as {@code G major} or {@code F♯ dorian}.
 *
 * @param tonic note name with its accidental, {@code F♯}
 * @param mode  major, minor or a church mode
 */
public record Key(String tonic, String mode) {
    private static final Pattern WRITTEN = Pattern.compile(
            "([a-g])\\s*(#|♯|sharp|b|♭|flat)?\\s*(major|minor|dorian|phrygian|lydian|mixolydian|locrian)?",
            Pattern.CASE_INSENSITIVE);

    /** Reads what people write: {@code G major}, {@code f# minor}, {@code Bb}. */
    @JsonCreator
    public static Key parse(String written) {
        Matcher matcher = WRITTEN.matcher(written == null ? "" : written.strip());
        if (!matcher.matches()) {
            throw new IllegalArgumentException("“" + written + "” is not a key; write it like G major or F# minor.");
        }
        String accidental = matcher.group(2) == null
                ? ""
                : switch (matcher.group(2).toLowerCase(Locale.ROOT)) {
                    case "#", "♯", "sharp" -> "♯";
                    default -> "♭";
                };
        String mode = matcher.group(3) == null ? "major" : matcher.group(3).toLowerCase(Locale.ROOT);
        return new Key(matcher.group(1).toUpperCase(Locale.ROOT) + accidental, mode);
    }

    /** {@code F#m}, in signs that every system has; empty for church modes, which tags have no sign for. */
    public String sign() {
        return switch (mode) {
            case "major" -> plainTonic();
            case "minor" -> plainTonic() + "m";
            default -> "";
        };
    }

    /** {@code F#}: the tonic in signs that every system has. */
    public String plainTonic() {
        return tonic.replace("♯", "#").replace("♭", "b");
    }

    /** {@code F♯ minor} */
    @JsonValue
    public String written() {
        return tonic + " " + mode;
    }

    /**
     * By its signature.
     *
     * @param sharps flats count below zero
     * @param mode   major or minor
     */
    public static Key ofSharps(int sharps, String mode) {
        int fifths = sharps + 1 + (mode.equals("minor") ? 3 : 0); // from F
        String accidental = fifths >= 7 ? "♯" : fifths < 0 ? "♭" : "";
        return new Key("FCGDAEB".charAt(Math.floorMod(fifths, 7)) + accidental, mode);
    }

    /** Sharps of its signature; flats count below zero. */
    @JsonIgnore
    public int sharps() {
        int major = "FCGDAEB".indexOf(tonic.charAt(0)) - 1 + (tonic.endsWith("♯") ? 7 : tonic.endsWith("♭") ? -7 : 0);
        return major
                + switch (mode) {
                    case "lydian" -> 1;
                    case "mixolydian" -> -1;
                    case "dorian" -> -2;
                    case "minor" -> -3;
                    case "phrygian" -> -4;
                    case "locrian" -> -5;
                    default -> 0;
                };
    }
}
