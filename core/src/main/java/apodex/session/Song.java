package apodex.session;

import apodex.time.Meter;
import apodex.time.TempoMap;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.util.Optional;

/**
 * What a file cannot say about itself.
 *
 * @param title  never blank
 * @param artist may be empty
 * @param tempo  quarter notes a minute, null while nobody has said
 * @param meter  null while nobody has said
 * @param key    null while nobody has said
 */
public record Song(
        String title, String artist, @Nullable Double tempo, @Nullable Meter meter, @Nullable Key key) {

    public static Song titled(String title) {
        return new Song(title, "", null, null, null);
    }

    /** Bars and beats, once the tempo is known; 4/4 while the meter is not. */
    @JsonIgnore
    public Optional<TempoMap> tempoMap() {
        return Optional.ofNullable(tempo)
                .map(quarters -> new TempoMap(quarters, meter == null ? Meter.FOUR_FOUR : meter));
    }

    /** The tempo as it is written in names: {@code 96}, {@code 96.5}; empty while unknown. */
    @JsonIgnore
    public String tempoLabel() {
        if (tempo == null) {
            return "";
        }
        return tempo == Math.rint(tempo) ? Long.toString(Math.round(tempo)) : Double.toString(tempo);
    }
}
