package apodex.naming;

import apodex.audio.SampleFormat;
import apodex.session.Song;
import apodex.time.SampleRate;

/** The name a parcel goes by: song, rate, depth and, where known, tempo. */
public final class ParcelName {
    private ParcelName() {}

    /** For example {@code Low Tide Waltz_48k_24bit_96bpm}, without ending. */
    public static String of(Song song, SampleRate rate, SampleFormat depth) {
        String depthPart = depth.bits() + "bit" + (depth.isFloat() ? "float" : "");
        String tempoPart = song.tempo() == null ? "" : "_" + song.tempoLabel() + "bpm";
        return SafeName.of(song.title()) + "_" + rate.kilohertz() + "k_" + depthPart + tempoPart;
    }
}
