package apodex.proof;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;

/**
 * One thing the proof says.
 *
 * @param grade    how it stands
 * @param headline a few words: {@code All one length}
 * @param detail   the figures behind it
 * @param files    paths of the files it is about; empty when it is about all
 * @param remedy   where it can be put right; nowhere for what is good
 */
public record Verdict(Grade grade, String headline, String detail, List<String> files, Remedy remedy) {
    public Verdict {
        files = List.copyOf(files);
        remedy = remedy == null ? Remedy.NONE : remedy;
    }

    /** From proved to broken. */
    public enum Grade {
        @JsonProperty("good")
        GOOD,
        /** Neither good nor bad: how it is. */
        @JsonProperty("fact")
        FACT,
        @JsonProperty("look")
        LOOK,
        @JsonProperty("wrong")
        WRONG
    }

    /** Where something can be put right. */
    public enum Remedy {
        @JsonProperty("none")
        NONE,
        /** In the plan, at the row. */
        @JsonProperty("plan")
        PLAN,
        /** By printing it again. */
        @JsonProperty("printAgain")
        PRINT_AGAIN
    }

    static Verdict good(String headline, String detail) {
        return new Verdict(Grade.GOOD, headline, detail, List.of(), Remedy.NONE);
    }
}
