package apodex.proof;

import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Locale;

/**
 * What would explain that files do not add up.
 *
 * @param kind         what is the matter
 * @param files        paths of the files it is about; none when the row has no file
 * @param name         name of the row, bus or file
 * @param amount       frames it is late (negative: early), or dB it is too loud; 0 for the other kinds
 * @param leftoverDbfs what would be left over if it were put right, RMS; null for nothing at all
 */
public record Culprit(Kind kind, List<String> files, String name, double amount, @Nullable Double leftoverDbfs) {
    /** What can be the matter with a file. */
    public enum Kind {
        @JsonProperty("missing")
        MISSING,
        @JsonProperty("twice")
        TWICE,
        @JsonProperty("turned")
        TURNED,
        @JsonProperty("shifted")
        SHIFTED,
        @JsonProperty("level")
        LEVEL
    }

    /** As a sentence. */
    @JsonProperty(value = "words", access = JsonProperty.Access.READ_ONLY)
    public String words() {
        return switch (kind) {
            case MISSING -> name + " is missing from the sum.";
            case TWICE -> name + " is in the sum twice.";
            case TURNED -> name + " has its polarity turned.";
            case SHIFTED ->
                name + " is " + Math.round(Math.abs(amount)) + (Math.abs(amount) == 1 ? " sample " : " samples ")
                        + (amount > 0 ? "late." : "early.");
            case LEVEL ->
                String.format(
                        Locale.ROOT,
                        "%s is %.1f dB %s.",
                        name,
                        Math.abs(amount),
                        amount > 0 ? "too loud" : "too quiet");
        };
    }
}
