package apodex.signal;

import apodex.measure.SoundMeasures;
import jakarta.annotation.Nullable;

/**
 * What became of a tap.
 *
 * @param channels channels of the file
 * @param frames   its length at its own rate
 * @param quietAt  frame of the session at which it had been quiet for a second; the range's end at the least
 * @param overs    samples that passed full scale of an integer format and were held there
 * @param placed   on which side its sound sits in the session
 * @param digest   {@link apodex.audio.SampleDigest} of its samples
 * @param measures of its samples; null when nobody asked the walk to measure
 */
public record Printed(
        int channels,
        long frames,
        long quietAt,
        long overs,
        Placed placed,
        String digest,
        @Nullable SoundMeasures measures) {
    /** The same where nothing rings, so that nobody waits for quiet. */
    Printed quietAt(long frame) {
        return new Printed(channels, frames, frame, overs, placed, digest, measures);
    }
}
