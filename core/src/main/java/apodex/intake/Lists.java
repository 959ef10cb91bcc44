package apodex.intake;

import jakarta.annotation.Nullable;
import java.util.List;

/**
 * What timelines, clip lists, notes and saved sessions lay out in an intake, and how they are to be read.
 *
 * @param rows        how many rows they lay out
 * @param overlapping names of rows on which clips lie over each other
 * @param countsBars  whether something of them stands in bars, and nothing that came says the tempo
 * @param tempo       that bars are counted with, in quarters a minute; null until somebody says it
 * @param overlaps    what sounds where clips lie over each other
 */
public record Lists(int rows, List<String> overlapping, boolean countsBars, @Nullable Double tempo, Overlaps overlaps) {
    static final Lists NONE = read(0, List.of(), false);

    public Lists {
        overlapping = List.copyOf(overlapping);
    }

    /** As they were read, with nothing chosen yet. */
    static Lists read(int rows, List<String> overlapping, boolean countsBars) {
        return new Lists(rows, overlapping, countsBars, null, Overlaps.SUMMED);
    }

    Lists at(double quartersAMinute) {
        return new Lists(rows, overlapping, countsBars, quartersAMinute, overlaps);
    }

    Lists with(Overlaps other) {
        return new Lists(rows, overlapping, countsBars, tempo, other);
    }

    /** The same choices for lists that were read again. */
    Lists of(Lists again) {
        return new Lists(again.rows, again.overlapping, again.countsBars, tempo, overlaps);
    }

    Lists withRows(int other) {
        return new Lists(other, overlapping, countsBars, tempo, overlaps);
    }
}
