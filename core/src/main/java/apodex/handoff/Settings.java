package apodex.handoff;

import apodex.handoff.Handoff.Format;
import apodex.handoff.Handoff.Sides;
import apodex.naming.NameStyle;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;

/**
 * What holds for all files. Whatever is null is left to what stands behind: to the brief, and then to what is usual.
 *
 * @param depth       sample format; usually the recordings' own
 * @param format      container; usually WAV
 * @param rate        usually the session's
 * @param returns     what becomes of returns at Bus and Mix; usually own files
 * @param dynamics    how shared effects act on one row at Bus and Mix; usually in place
 * @param sides       channels of rows for which nothing else is said; usually automatic
 * @param leadInBars  bars before the range; usually 0
 * @param count       clicks in the lead-in instead of silence, in the file of the click; usually none
 * @param click       a file with the beat; usually none
 * @param tailSeconds how long files go on after the range; usually until all is quiet
 * @param takes       Raw of takes that are not the chosen one as well; usually not
 * @param notes       the notes of instrument rows as Standard MIDI Files; usually, where there are any
 * @param listening   an MP3 of the reference mix; usually not
 * @param document    the session itself, to be opened in Apodex; usually not
 * @param folders     how files are put into folders; usually by kind
 * @param naming      how file names are put together; usually number, row and what it is
 * @param splitMegabytes largest zip, in millions of bytes, 10 at least; usually one zip, however large
 */
public record Settings(
        @Nullable Depth depth,
        @Nullable Format format,
        @Nullable SampleRate rate,
        @Nullable Returns returns,
        @Nullable Dynamics dynamics,
        @Nullable Sides sides,
        @Nullable Integer leadInBars,
        @Nullable Boolean count,
        @Nullable Click click,
        @Nullable Double tailSeconds,
        @Nullable Boolean takes,
        @Nullable Boolean notes,
        @Nullable Boolean listening,
        @Nullable Boolean document,
        @Nullable Folders folders,
        @Nullable NameStyle naming,
        @Nullable Integer splitMegabytes) {
    private static final int SMALLEST_SPLIT = 10;

    public Settings {
        if (splitMegabytes != null && splitMegabytes < SMALLEST_SPLIT) {
            throw new IllegalArgumentException(
                    "A zip can be split into parts of 10 MB or more, not " + splitMegabytes + ".");
        }
    }

    /** Nothing said. */
    public static final Settings OPEN = new Settings(
            null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null);
    /** What holds when nobody says anything. Depth, rate and tail stay open: they follow the session. */
    public static final Settings USUAL = new Settings(
            null,
            Format.WAV,
            null,
            Returns.OWN_FILES,
            Dynamics.IN_PLACE,
            Sides.AUTOMATIC,
            0,
            false,
            Click.NONE,
            null,
            false,
            true,
            false,
            false,
            Folders.KIND,
            NameStyle.USUAL,
            null);

    /** These, and where they say nothing, the others. */
    public Settings over(Settings other) {
        return new Settings(
                or(depth, other.depth),
                or(format, other.format),
                or(rate, other.rate),
                or(returns, other.returns),
                or(dynamics, other.dynamics),
                or(sides, other.sides),
                or(leadInBars, other.leadInBars),
                or(count, other.count),
                or(click, other.click),
                or(tailSeconds, other.tailSeconds),
                or(takes, other.takes),
                or(notes, other.notes),
                or(listening, other.listening),
                or(document, other.document),
                or(folders, other.folders),
                or(naming, other.naming),
                or(splitMegabytes, other.splitMegabytes));
    }

    private static <T> T or(T mine, T other) {
        return mine == null ? other : mine;
    }

    public Settings withDepth(Depth other) {
        return new Settings(
                other,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withFormat(Format other) {
        return new Settings(
                depth,
                other,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withRate(SampleRate other) {
        return new Settings(
                depth,
                format,
                other,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withSharing(Returns newReturns, Dynamics newDynamics) {
        return new Settings(
                depth,
                format,
                rate,
                newReturns,
                newDynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withLeadIn(Integer bars, Boolean counted) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                bars,
                counted,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withClick(Click other) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                other,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withTail(Double seconds) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                seconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withExtras(Boolean newTakes, Boolean newNotes, Boolean newListening, Boolean newDocument) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                newTakes,
                newNotes,
                newListening,
                newDocument,
                folders,
                naming,
                splitMegabytes);
    }

    public Settings withFolders(Folders other) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                other,
                naming,
                splitMegabytes);
    }

    public Settings withNaming(NameStyle other) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                other,
                splitMegabytes);
    }

    public Settings withSplit(Integer megabytes) {
        return new Settings(
                depth,
                format,
                rate,
                returns,
                dynamics,
                sides,
                leadInBars,
                count,
                click,
                tailSeconds,
                takes,
                notes,
                listening,
                document,
                folders,
                naming,
                megabytes);
    }
}
