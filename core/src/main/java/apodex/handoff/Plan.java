package apodex.handoff;

import apodex.audio.BroadcastExtension;
import apodex.session.Session;
import apodex.signal.Passage;
import apodex.signal.Printed;
import apodex.signal.Sharing;
import apodex.signal.Tap;
import apodex.time.SampleRate;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * The files of a handoff, all of one length and rate.
 *
 * @param name           name of the parcel, without ending
 * @param prints         the files
 * @param notes          the files of notes that come with them
 * @param listening      name of an MP3 of the reference mix; empty for none
 * @param rows           every row of the session, printed or not
 * @param passage        what every file covers
 * @param sharing        what rows take with them on their way to the mix
 * @param format         container of every file
 * @param rate           frames per second of every file
 * @param frames         length of every file; before printing, without an automatic tail
 * @param ringsOut       seconds that effects tell they ring after the range; 0 when none does or the tail is fixed
 * @param startReference first frame of every file, counted from midnight
 * @param depth          sample format of every file
 * @param ownDepth       the format that keeps the recordings exactly
 * @param bytes          size of all files together
 */
public record Plan(
        String name,
        List<Print> prints,
        List<NoteFile> notes,
        String listening,
        List<PlanRow> rows,
        Passage passage,
        Sharing sharing,
        Handoff.Format format,
        SampleRate rate,
        long frames,
        double ringsOut,
        long startReference,
        Depth depth,
        Depth ownDepth,
        long bytes) {
    public Plan {
        prints = List.copyOf(prints);
        notes = List.copyOf(notes);
        rows = List.copyOf(rows);
    }

    /** What the walk has to write, each file straight in {@code folder}. FLAC is made from WAV afterwards. */
    public List<Tap> taps(Session session, Path folder) {
        Tap.Container container = format == Handoff.Format.AIFF ? Tap.Container.AIFF : Tap.Container.WAV;
        return prints.stream().map(print -> new Tap(print.row(), print.station(), print.sides(), depth.sample(), rate,
                container, print.trimDb(), folder.resolve(walkName(print)), broadcast(session, print),
                ditherSeed(print))).toList();
    }

    /** The name a file has while it is walked. */
    String walkName(Print print) {
        return format == Handoff.Format.FLAC ? print.file() + ".wav" : print.file();
    }

    private BroadcastExtension broadcast(Session session, Print print) {
        return BroadcastInfo.of(session, print.file(), print.rowName(), print.station(), depth.sample(),
                print.channels(), rate, startReference);
    }

    /** The plan as it came out: real lengths, channels and sizes. */
    Plan printed(List<Printed> printed, List<Long> sizes) {
        List<Print> real = new ArrayList<>();
        for (int i = 0; i < prints.size(); i++) {
            real.add(prints.get(i).printed(printed.get(i).channels(), sizes.get(i)));
        }
        long length = printed.isEmpty() ? frames : printed.get(0).frames();
        return new Plan(name, real, notes, listening, rows, passage, sharing, format, rate, length, 0, startReference, depth,
                ownDepth, sizes.stream().mapToLong(Long::longValue).sum());
    }

    /** The same print always gets the same noise, and no two prints of a plan share theirs. */
    private static long ditherSeed(Print print) {
        long hash = 0xCBF29CE484222325L; // FNV-1a, 64 bits
        for (char c : (print.row() + "|" + print.station() + "|" + print.sides()).toCharArray()) {
            hash = (hash ^ c) * 0x100000001B3L;
        }
        return hash;
    }
}
