package apodex.handoff;

import apodex.session.MixRow;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Placed;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;

/**
 * One file to be made.
 *
 * @param file     its name
 * @param folder   the folder of the parcel it goes to
 * @param row      the row it is about
 * @param source   the row of the session as the handoff sees it that it is taken from; differs for takes
 * @param rowName  that row's name, and the take's where it is not the chosen one
 * @param station  where on the signal path
 * @param channels 1 or 2; before printing, what is expected where only printing can tell
 * @param sides    which of the row's sides they are
 * @param trimDb   gain on the way into the file
 * @param bytes    size of the file
 * @param section  which of the plan's sections
 * @param placed   which side of the picture it holds; null of plans from before they said so
 */
public record Print(
        String file,
        String folder,
        String row,
        String source,
        String rowName,
        Station station,
        int channels,
        Channels sides,
        double trimDb,
        long bytes,
        int section,
        @Nullable Placed placed) {
    /** Stands for the row of a file that Apodex makes from the tempo map. */
    public static final String CLICK = "apodex:click";

    /** Whether Apodex makes it from the tempo map. */
    @JsonIgnore
    public boolean isClick() {
        return row.equals(CLICK);
    }

    /** Whether it is the reference mix. */
    @JsonIgnore
    public boolean isReference() {
        return row.equals(MixRow.ID) && station == Station.FADER;
    }

    /** Where it lies in the parcel, and in the folder of its run. */
    @JsonIgnore
    public String path() {
        return folder.isEmpty() ? file : folder + "/" + file;
    }

    /** Louder by so many dB on the way into the file. */
    Print turned(double db) {
        double trim = Math.rint(100 * (trimDb + db)) / 100;
        return new Print(file, folder, row, source, rowName, station, channels, sides, trim, bytes, section, placed);
    }

    Print printed(int realChannels, long realBytes) {
        return new Print(
                file, folder, row, source, rowName, station, realChannels, sides, trimDb, realBytes, section, placed);
    }
}
