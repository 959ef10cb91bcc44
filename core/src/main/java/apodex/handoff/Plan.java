package apodex.handoff;

import apodex.audio.BroadcastExtension;
import apodex.session.Session;
import apodex.signal.Tap;
import apodex.time.SampleRate;
import java.nio.file.Path;
import java.util.List;

/**
 * The files of a handoff, all of one length and rate.
 *
 * @param name          name of the parcel, without ending
 * @param prints        the files
 * @param rows          every row of the session, printed or not
 * @param rate          frames per second
 * @param frames        length of every file
 * @param startReference first frame of every file, counted from midnight
 * @param depth         sample format of every file
 * @param ownDepth      the format that keeps the recordings exactly
 * @param bytes         size of all files together
 */
public record Plan(
        String name,
        List<Print> prints,
        List<PlanRow> rows,
        SampleRate rate,
        long frames,
        long startReference,
        Depth depth,
        Depth ownDepth,
        long bytes) {
    public Plan {
        prints = List.copyOf(prints);
        rows = List.copyOf(rows);
    }

    /** What the walk has to write, each file straight in {@code folder}. */
    public List<Tap> taps(Session session, Path folder) {
        return prints.stream().map(print -> new Tap(print.row(), print.station(), print.sides(), depth.sample(),
                folder.resolve(print.file()), broadcast(session, print), ditherSeed(print))).toList();
    }

    private BroadcastExtension broadcast(Session session, Print print) {
        return BroadcastInfo.of(session, print.file(), print.rowName(), print.station(), depth.sample(),
                print.channels());
    }

    /** The same print always gets the same noise, and no two prints of a plan share theirs. */
    private static long ditherSeed(Print print) {
        long hash = 0xCBF29CE484222325L; // FNV-1a, 64 bits
        for (char c : (print.row() + "|" + print.station()).toCharArray()) {
            hash = (hash ^ c) * 0x100000001B3L;
        }
        return hash;
    }
}
