package apodex.handoff;

import apodex.measure.StereoImage;
import apodex.signal.Station;
import jakarta.annotation.Nullable;
import java.util.List;

/**
 * What can be printed of a row, and what was measured of it.
 *
 * @param row      the row's id
 * @param number   its number in the session, from 1; 0 for the mix
 * @param name     its name
 * @param stations where a file can be taken
 * @param image    what its two sides are like; null where only printing can tell
 * @param channels 1 or 2, as it will be printed
 * @param evidence why, in a sentence
 * @param peakDbfs loudest sample in dBFS before printing; null when silent or not known
 */
public record PlanRow(
        String row,
        int number,
        String name,
        List<Station> stations,
        @Nullable StereoImage.Kind image,
        int channels,
        String evidence,
        @Nullable Double peakDbfs) {
    public PlanRow {
        stations = List.copyOf(stations);
    }
}
