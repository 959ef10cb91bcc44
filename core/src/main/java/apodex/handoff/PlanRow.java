package apodex.handoff;

import apodex.measure.StereoImage;
import apodex.session.RowKind;
import apodex.session.Station;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Optional;

/**
 * What can be printed of a row, and what was measured of it.
 *
 * @param row        the row's id
 * @param number     its number in the receiver's order, from 1; 0 for the mix
 * @param name       its name
 * @param kind       what it is
 * @param stations   where a file can be taken: those that differ
 * @param asked      those of them that the brief asks for
 * @param image      what its two sides are like at Raw; null where only printing can tell
 * @param channels   1 or 2, as Raw will be printed, or what is expected
 * @param evidence   why, in a sentence
 * @param peakDbfs   loudest sample of Raw in dBFS before printing; null when silent or not known
 * @param trimDb     gain on the way into its files, with those of the buses it feeds
 * @param kept       by insert, in order: whether it counts as part of the sound here
 * @param under      buses its sound reaches, near and far
 * @param takes      ids of the takes that are printed of it at Raw
 * @param unknown    effects among its inserts that Apodex does not have; they are skipped
 * @param unmade     why nothing of it can be printed; null when it can
 */
public record PlanRow(
        String row,
        int number,
        String name,
        RowKind kind,
        List<Station> stations,
        List<Station> asked,
        @Nullable StereoImage.Kind image,
        int channels,
        String evidence,
        @Nullable Double peakDbfs,
        double trimDb,
        List<Boolean> kept,
        List<String> under,
        List<String> takes,
        List<String> unknown,
        @Nullable String unmade) {
    public PlanRow {
        stations = List.copyOf(stations);
        asked = asked == null ? List.of() : List.copyOf(asked);
        kept = kept == null ? List.of() : List.copyOf(kept);
        under = under == null ? List.of() : List.copyOf(under); // runs from before do not say, nor of takes
        takes = takes == null ? List.of() : List.copyOf(takes);
        unknown = List.copyOf(unknown);
    }

    /**
     * Where a file is taken when one is asked for at a station: a station that is not offered sounds as the last
     * one before it; what has none before it was rendered elsewhere for the first it has.
     */
    public Optional<Station> nearest(Station wanted) {
        return stations.stream()
                .filter(station -> station.compareTo(wanted) <= 0)
                .reduce((one, later) -> later)
                .or(() -> stations.stream().findFirst());
    }

    PlanRow asking(List<Station> wanted) {
        return new PlanRow(
                row, number, name, kind, stations, wanted, image, channels, evidence, peakDbfs, trimDb, kept, under,
                takes, unknown, unmade);
    }
}
