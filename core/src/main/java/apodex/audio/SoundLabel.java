package apodex.audio;

import jakarta.annotation.Nullable;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;

/**
 * What a sound file says of itself beside its samples. Each kind of file writes what it has a place for.
 *
 * @param broadcast where it comes from and where it lies in time; null for none
 * @param title     what sounds: the row
 * @param song      what it belongs to
 * @param artist    who plays; may be empty
 * @param scene     the stretch of the song; empty for all of it
 * @param take      which of several recordings; may be empty
 * @param note      what else is to be known; may be empty
 * @param tempo     quarter notes a minute; null where it is not known or changes
 * @param key       as {@code F#m}; may be empty
 * @param cues      named places, in frames of the file
 */
public record SoundLabel(
        @Nullable BroadcastExtension broadcast,
        String title,
        String song,
        String artist,
        String scene,
        String take,
        String note,
        @Nullable Double tempo,
        String key,
        List<SoundFacts.Mark> cues) {
    public SoundLabel {
        cues = List.copyOf(cues);
    }

    /** Only a broadcast extension. */
    public static SoundLabel of(BroadcastExtension broadcast) {
        return new SoundLabel(broadcast, "", "", "", "", "", "", null, "", List.of());
    }

    /** Its names alone. */
    public SoundLabel withoutBroadcast() {
        return with(null);
    }

    /** The same for a file that came to have one channel. */
    public SoundLabel mono() {
        return with(broadcast == null ? null : broadcast.mono());
    }

    private SoundLabel with(@Nullable BroadcastExtension other) {
        return new SoundLabel(other, title, song, artist, scene, take, note, tempo, key, cues);
    }

    /** Whether it names anything. */
    boolean isNamed() {
        return !title.isEmpty() || !song.isEmpty();
    }

    /** The tempo as tags write it, to hundredths; empty where there is none. */
    String tempoWritten() {
        return tempo == null
                ? ""
                : new BigDecimal(tempo)
                        .setScale(2, RoundingMode.HALF_UP)
                        .stripTrailingZeros()
                        .toPlainString();
    }
}
