package apodex.naming;

import apodex.audio.SampleFormat;
import apodex.session.Song;
import apodex.time.SampleRate;

/** The name a parcel goes by: song, purpose, version, rate, depth and, where known, tempo and key. */
public final class ParcelName {
    private ParcelName() {}

    /** For example {@code Low Tide Waltz_For mixing_v1_48k_24bit_96bpm_Gmaj}, without ending. */
    public static String of(Song song, String purpose, String version, SampleRate rate, SampleFormat depth) {
        String depthPart = depth.bits() + "bit" + (depth.isFloat() ? "float" : "");
        String tempoPart = song.tempo() == null ? "" : "_" + song.tempoLabel() + "bpm";
        String keyPart = song.key() == null ? "" : "_" + NameParts.key(song.key());
        return SafeName.of(song.title()) + "_" + SafeName.of(purpose) + "_" + SafeName.of(version) + "_"
                + rate.kilohertz() + "k_" + depthPart + tempoPart + keyPart;
    }
}
