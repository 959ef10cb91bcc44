package apodex.session;

import apodex.time.FrameRange;
import com.fasterxml.jackson.annotation.JsonIgnore;

/**
 * A stretch of a recording placed on the timeline.
 *
 * @param recording     SHA-256 of the recording
 * @param firstChannel  first of its channels that is used, from 0
 * @param channels      1 or 2
 * @param position      frame of the session where it starts, from 0
 * @param offset        first frame of the recording that is heard
 * @param frames        length
 * @param gainDb        gain in dB; 0 leaves every sample as it is
 * @param fadeInFrames  length of the straight fade at its start
 * @param fadeOutFrames length of the straight fade at its end
 */
public record Clip(
        String recording,
        int firstChannel,
        int channels,
        long position,
        long offset,
        long frames,
        double gainDb,
        long fadeInFrames,
        long fadeOutFrames) {

    public static Clip whole(Recording recording, int firstChannel, int channels, long position) {
        return new Clip(recording.sha256(), firstChannel, channels, position, 0, recording.frames(), 0, 0, 0);
    }

    @JsonIgnore
    public FrameRange range() {
        return FrameRange.ofLength(position, frames);
    }

    /** True when its samples are heard as they were recorded. */
    @JsonIgnore
    public boolean isUntouched() {
        return gainDb == 0 && fadeInFrames == 0 && fadeOutFrames == 0;
    }
}
