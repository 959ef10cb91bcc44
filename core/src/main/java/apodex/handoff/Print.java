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
 * @param channels 1 or 2
 * @param sides    which of the row's sides they are
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
        long bytes) {}
