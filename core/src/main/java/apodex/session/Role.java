package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;

/** What a row is in the music: decides what its name can be cleaned to, and how rows are put in order. */
public enum Role {
    @JsonProperty("drums")
    DRUMS,
    @JsonProperty("bass")
    BASS,
    @JsonProperty("guitars")
    GUITARS,
    @JsonProperty("keys")
    KEYS,
    @JsonProperty("strings")
    STRINGS,
    @JsonProperty("winds")
    WINDS,
    @JsonProperty("voices")
    VOICES,
    @JsonProperty("effects")
    EFFECTS,
    /** A beat to play to, not music. */
    @JsonProperty("click")
    CLICK,
    /** A sketch or spoken counting to play to, not music. */
    @JsonProperty("guide")
    GUIDE,
    /** The mix as somebody heard it, to hold others against, not music. */
    @JsonProperty("reference")
    REFERENCE,
    /** The room by itself, to lay under silence. */
    @JsonProperty("roomTone")
    ROOM_TONE,
    /** None of these, or nobody has said. */
    @JsonProperty("other")
    OTHER;

    /** As it stands in sentences. */
    public String words() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** Whether it is no part of the sum, though it is there. */
    public boolean isBesideTheMusic() {
        return isForPlayers() || this == REFERENCE;
    }

    /** Whether it only helps players along. */
    public boolean isForPlayers() {
        return this == CLICK || this == GUIDE;
    }
}
