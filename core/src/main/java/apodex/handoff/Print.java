package apodex.handoff;

import apodex.signal.Channels;
import apodex.signal.Station;

/**
 * One file to be made.
 *
 * @param file     its name
 * @param folder   the folder of the parcel it goes to
 * @param row      the row it is taken from
 * @param rowName  that row's name
 * @param station  where on the signal path
 * @param channels 1 or 2; before printing, what is expected where only printing can tell
 * @param sides    which of the row's sides they are
 * @param trimDb   gain on the way into the file
 * @param bytes    size of the file
 */
public record Print(
        String file,
        String folder,
        String row,
        String rowName,
        Station station,
        int channels,
        Channels sides,
        double trimDb,
        long bytes) {

    Print printed(int realChannels, long realBytes) {
        return new Print(file, folder, row, rowName, station, realChannels, sides, trimDb, realBytes);
    }
}
