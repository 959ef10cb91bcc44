package apodex.proof;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;

/**
 * One thing the proof says.
 *
 * @param grade    how it stands
 * @param headline a few words: {@code All one length}
 * @param detail   the figures behind it
 * @param files    the files it is about; empty when it is about all
 */
public record Verdict(Grade grade, String headline, String detail, List<String> files) {
    public Verdict {
        files = List.copyOf(files);
    }

    /** From proved to broken. */
    public enum Grade {
        @JsonProperty("good") GOOD,
        @JsonProperty("look") LOOK,
        @JsonProperty("wrong") WRONG
    }
}
