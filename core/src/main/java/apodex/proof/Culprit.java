package apodex.proof;

import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Locale;

/**
 * What is the matter with a file.
 *
 * @param kind         what it is
 * @param files        paths of the files it is about; none when the row has no file
 * @param name         name of the file; of two that are exchanged, of the first
 * @param amount       frames it is late (negative: early) or short, dB it is too loud, samples that differ; 0 for the other kinds
 * @param leftoverDbfs not used any more: what would be left over if it were put right
 */
public record Culprit(Kind kind, List<String> files, String name, double amount, @Nullable Double leftoverDbfs) {
    /** What can be the matter with a file. */
    public enum Kind {
        @JsonProperty("missing")
        MISSING,
        @JsonProperty("unreadable")
        UNREADABLE,
        @JsonProperty("short")
        SHORT,
        @JsonProperty("long")
        LONG,
        @JsonProperty("silent")
        SILENT,
        @JsonProperty("swapped")
        SWAPPED,
        @JsonProperty("another")
        ANOTHER,
        @JsonProperty("oneSide")
        ONE_SIDE,
        @JsonProperty("sidesExchanged")
        SIDES_EXCHANGED,
        @JsonProperty("twice")
        TWICE,
        @JsonProperty("turned")
        TURNED,
        @JsonProperty("shifted")
        SHIFTED,
        @JsonProperty("level")
        LEVEL,
        @JsonProperty("noise")
        NOISE,
        @JsonProperty("altered")
        ALTERED
    }

    static Culprit of(Kind kind, String path, String name, double amount) {
        return new Culprit(kind, List.of(path), name, amount, null);
    }

    /** As a sentence. */
    @JsonProperty(value = "words", access = JsonProperty.Access.READ_ONLY)
    public String words() {
        return switch (kind) {
            case MISSING -> name + " is not on the disk.";
            case UNREADABLE -> name + " cannot be read.";
            case SHORT -> name + " is " + samples() + " short.";
            case LONG -> name + " is " + samples() + " too long.";
            case SILENT -> name + " holds nothing but silence.";
            case SWAPPED -> name + " and " + last(files.get(files.size() - 1)) + " have each other's sound.";
            case ANOTHER -> name + " holds the sound of " + last(files.get(files.size() - 1)) + ".";
            case ONE_SIDE -> "One side of " + name + " is gone.";
            case SIDES_EXCHANGED -> "Left and right of " + name + " are exchanged.";
            case TWICE -> name + " is there twice: 6.0 dB too loud.";
            case TURNED -> name + " has its polarity turned.";
            case SHIFTED -> name + " is " + samples() + (amount > 0 ? " late." : " early.");
            case LEVEL ->
                String.format(
                        Locale.ROOT,
                        "%s is %.1f dB %s.",
                        name,
                        Math.abs(amount),
                        amount > 0 ? "too loud" : "too quiet");
            case NOISE ->
                "In " + name + " " + samples() + (Math.abs(amount) == 1 ? " differs" : " differ")
                        + " from what was printed.";
            case ALTERED -> name + " holds another sound than was printed.";
        };
    }

    private String samples() {
        long count = Math.round(Math.abs(amount));
        return Verdicts.grouped(count) + (count == 1 ? " sample" : " samples");
    }

    private static String last(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }
}
