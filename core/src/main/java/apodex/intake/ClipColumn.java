package apodex.intake;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What a column of a list of clips, or of tracks, holds, with the headings it is known by. */
public enum ClipColumn {
    @JsonProperty("row")
    ROW("row", "track", "track name", "channel", "channel name", "spur", "piste", "pista", "instrument"),
    @JsonProperty("take")
    TAKE("take", "take no", "take number"),
    @JsonProperty("file")
    FILE(
            "file",
            "filename",
            "file name",
            "source file",
            "audio file",
            "recording",
            "media",
            "source",
            "datei",
            "dateiname",
            "fichier",
            "archivo"),
    @JsonProperty("position")
    POSITION(
            "position",
            "start",
            "start time",
            "start position",
            "timeline start",
            "timeline in",
            "record in",
            "anfang",
            "beginn",
            "debut",
            "début",
            "inicio"),
    @JsonProperty("end")
    END("end", "end time", "end position", "timeline end", "timeline out", "record out", "ende", "fin"),
    @JsonProperty("offset")
    OFFSET("offset", "source start", "source in", "start in file", "source offset", "in file"),
    @JsonProperty("length")
    LENGTH("length", "duration", "dur", "länge", "dauer", "durée", "duree", "duración", "duracion"),
    @JsonProperty("gain")
    GAIN("gain", "clip gain", "level", "volume", "pegel"),
    @JsonProperty("fadeIn")
    FADE_IN("fade in", "fadein", "fade-in"),
    @JsonProperty("fadeOut")
    FADE_OUT("fade out", "fadeout", "fade-out"),
    @JsonProperty("fadeInCurve")
    FADE_IN_CURVE("fade in curve", "fade in shape"),
    @JsonProperty("fadeOutCurve")
    FADE_OUT_CURVE("fade out curve", "fade out shape"),
    @JsonProperty("muted")
    MUTED("mute", "muted", "stumm"),
    @JsonProperty("polarity")
    POLARITY("polarity", "phase"),
    @JsonProperty("note")
    NOTE("note", "notes", "comment", "comments", "remark", "remarks", "description", "kommentar", "commentaire");

    private final List<String> headings;

    ClipColumn(String... headings) {
        this.headings = List.of(headings);
    }

    boolean isCalled(String plainHeading) {
        return headings.contains(plainHeading);
    }

    /** The name that {@code docs/clip-list.md} gives it. */
    String ours() {
        return headings.get(0);
    }

    static Optional<ClipColumn> valueOfOurs(String plainHeading) {
        return Arrays.stream(values())
                .filter(each -> each.ours().equals(plainHeading))
                .findFirst();
    }

    boolean isTime() {
        return switch (this) {
            case POSITION, END, OFFSET, LENGTH, FADE_IN, FADE_OUT -> true;
            case ROW, TAKE, FILE, GAIN, FADE_IN_CURVE, FADE_OUT_CURVE, MUTED, POLARITY, NOTE -> false;
        };
    }
}
