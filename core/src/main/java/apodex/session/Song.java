package apodex.session;

import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a file cannot say about itself.
 *
 * @param title        never blank
 * @param artist       may be empty
 * @param tempo        quarter notes a minute at the start, null while nobody has said
 * @param meter        at the start, null while nobody has said
 * @param key          null while nobody has said
 * @param tempoChanges after the start, ascending
 * @param meterChanges after bar 1, ascending
 */
public record Song(
        String title,
        String artist,
        @Nullable Double tempo,
        @Nullable Meter meter,
        @Nullable Key key,
        List<TempoChange> tempoChanges,
        List<MeterChange> meterChanges) {
    /** What notes are played at, and Standard MIDI Files count with, while nobody has said. */
    public static final double TEMPO_WHEN_UNKNOWN = 120;

    public Song {
        tempoChanges = tempoChanges == null ? List.of() : List.copyOf(tempoChanges);
        meterChanges = meterChanges == null ? List.of() : List.copyOf(meterChanges);
    }

    /** A song of one tempo and meter. */
    public Song(String title, String artist, @Nullable Double tempo, @Nullable Meter meter, @Nullable Key key) {
        this(title, artist, tempo, meter, key, List.of(), List.of());
    }

    /** One of which only the title is known. */
    public static Song titled(String title) {
        return new Song(title, "", null, null, null);
    }

    /** The same under another title. */
    public Song withTitle(String other) {
        return new Song(other, artist, tempo, meter, key, tempoChanges, meterChanges);
    }

    /** Bars and beats, once the tempo is known; 4/4 while the meter is not. */
    @JsonIgnore
    public Optional<TempoMap> tempoMap() {
        return tempo == null ? Optional.empty() : Optional.of(timeline());
    }

    /** Bars and beats as notes are played: at 120 while the tempo is not known. */
    @JsonIgnore
    public TempoMap timeline() {
        List<TempoChange> tempos = new ArrayList<>();
        tempos.add(new TempoChange(0, tempo == null ? TEMPO_WHEN_UNKNOWN : tempo, TempoChange.Way.JUMP));
        tempos.addAll(tempoChanges);
        List<MeterChange> meters = new ArrayList<>();
        meters.add(new MeterChange(1, meter == null ? Meter.FOUR_FOUR : meter));
        meters.addAll(meterChanges);
        return new TempoMap(tempos, meters);
    }

    /** The tempo as it is written in names: {@code 96}, {@code 96.5}; empty while unknown. */
    @JsonIgnore
    public String tempoLabel() {
        return tempo == null ? "" : tempoLabel(tempo);
    }

    /**
     * A tempo as people read it: two places at most. What a file says in whole microseconds a quarter note comes out a little off, and is
     * kept so: 104 as 104.000014.
     */
    public static String tempoLabel(double quartersPerMinute) {
        return BigDecimal.valueOf(quartersPerMinute)
                .setScale(2, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
