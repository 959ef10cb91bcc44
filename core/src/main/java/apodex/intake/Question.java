package apodex.intake;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;

/**
 * Something about an intake that a person should decide.
 *
 * @param kind    what it is about
 * @param files   ids of the files it is about
 * @param words   what was found, in a sentence
 * @param answers what can be done; none where only the sender can
 */
public record Question(Kind kind, List<String> files, String words, List<Answer> answers) {
    /** What can be asked, the most important first. */
    public enum Kind {
        @JsonProperty("sessionAlong")
        SESSION_ALONG,
        @JsonProperty("table")
        TABLE,
        @JsonProperty("tempo")
        TEMPO,
        @JsonProperty("overlaps")
        OVERLAPS,
        @JsonProperty("sumOfOthers")
        SUM_OF_OTHERS,
        @JsonProperty("wrongRate")
        WRONG_RATE,
        @JsonProperty("stations")
        STATIONS,
        @JsonProperty("wetAndDry")
        WET_AND_DRY,
        @JsonProperty("place")
        PLACE,
        @JsonProperty("noPlace")
        NO_PLACE,
        @JsonProperty("drift")
        DRIFT,
        @JsonProperty("sameSound")
        SAME_SOUND,
        @JsonProperty("polarity")
        POLARITY,
        @JsonProperty("takesOrRows")
        TAKES_OR_ROWS,
        @JsonProperty("loneSide")
        LONE_SIDE
    }

    /**
     * One answer.
     *
     * @param words  what it does, as it stands on a button
     * @param correction that does it
     * @param safe   nothing can be lost or made worse by it
     */
    public record Answer(String words, Correction correction, boolean safe) {}
}
