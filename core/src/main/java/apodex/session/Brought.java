package apodex.session;

import java.util.List;

/**
 * Sound rendered elsewhere that stands for a row at a station, because Apodex cannot make it: through an amplifier, on a synthesizer,
 * with another program's effects. What comes after that station is made of it.
 *
 * @param station where on the row's way it was taken
 * @param clips   where it lies; one usually
 */
public record Brought(Station station, List<Clip> clips) {
    public Brought {
        clips = clips == null ? List.of() : List.copyOf(clips);
    }
}
