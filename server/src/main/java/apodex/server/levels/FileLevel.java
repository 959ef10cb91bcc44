package apodex.server.levels;

import apodex.measure.SoundMeasures;
import jakarta.annotation.Nullable;

/**
 * What a file will hold.
 *
 * @param channels     of the file
 * @param quietAt      frame of the session at which it has been quiet for a second
 * @param peakDbfs     loudest sample, also past full scale; null when it is silent
 * @param peakFrame    frame of the file where that is; null when it is silent, or was found before this was looked for
 * @param truePeakDbtp true peak; null when it is silent
 * @param loudnessLufs integrated; null when too quiet to tell
 */
public record FileLevel(
        int channels,
        long quietAt,
        @Nullable Double peakDbfs,
        @Nullable Long peakFrame,
        @Nullable Double truePeakDbtp,
        @Nullable Double loudnessLufs) {
    static FileLevel of(int channels, long quietAt, SoundMeasures measures) {
        return new FileLevel(
                channels,
                quietAt,
                measures.peakDbfs(),
                measures.peakFrame(),
                measures.truePeakDbtp(),
                measures.loudness() == null ? null : measures.loudness().integratedLufs());
    }

    /** The same, louder by so many dB. */
    FileLevel turned(double db) {
        return new FileLevel(
                channels,
                quietAt,
                peakDbfs == null ? null : peakDbfs + db,
                peakFrame,
                truePeakDbtp == null ? null : truePeakDbtp + db,
                loudnessLufs == null ? null : loudnessLufs + db);
    }
}
