package apodex.handoff;

import apodex.measure.StereoImage;
import apodex.signal.Station;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.List;

/**
 * What can be printed of a row, and what was measured of it.
 *
 * @param row        the row's id
 * @param number     its number in the session, from 1; 0 for the mix
 * @param name       its name
 * @param kind       what it is
 * @param stations   where a file can be taken: those that differ
 * @param image      what its two sides are like at Raw; null where only printing can tell
 * @param channels   1 or 2, as Raw will be printed, or what is expected
 * @param evidence   why, in a sentence
 * @param peakDbfs   loudest sample of Raw in dBFS before printing; null when silent or not known
 * @param unknown    effects among its inserts that Apodex does not have; they are skipped
 */
public record PlanRow(
        String row,
        int number,
        String name,
        Kind kind,
        List<Station> stations,
        @Nullable StereoImage.Kind image,
        int channels,
        String evidence,
        @Nullable Double peakDbfs,
        List<String> unknown) {
    public PlanRow {
        stations = List.copyOf(stations);
        unknown = List.copyOf(unknown);
    }

    /** Kinds of rows. */
    public enum Kind {
        @JsonProperty("audio") AUDIO,
        @JsonProperty("instrument") INSTRUMENT,
        @JsonProperty("part") PART,
        @JsonProperty("bus") BUS,
        @JsonProperty("return") RETURN,
        @JsonProperty("mix") MIX
    }
}
