package apodex.server.levels;

import apodex.measure.SoundMeasures;
import apodex.signal.Printed;
import jakarta.annotation.Nullable;

/**
 * What a file will hold.
 *
 * @param channels     of the file
 * @param quietAt      frame of the session at which it has been quiet for a second
 * @param peakDbfs     loudest sample, also past full scale; null when it is silent
 * @param truePeakDbtp true peak; null when it is silent
 * @param loudnessLufs integrated; null when too quiet to tell
 */
public record FileLevel(
        int channels,
        long quietAt,
        @Nullable Double peakDbfs,
        @Nullable Double truePeakDbtp,
        @Nullable Double loudnessLufs) {
    static FileLevel of(Printed printed) {
        SoundMeasures measures = printed.measures();
        return new FileLevel(
                printed.channels(),
                printed.quietAt(),
                measures.peakDbfs(),
                measures.truePeakDbtp(),
                measures.loudness() == null ? null : measures.loudness().integratedLufs());
    }
}
