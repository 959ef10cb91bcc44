package apodex.measure;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * How loud the two sides of a sound are, and how far apart. All are peak amplitudes, full scale at 1.0.
 *
 * @param peakLeft       left side; of a mono sound, the sound
 * @param peakRight      right side; of a mono sound, the same
 * @param peakDifference left minus right; of a mono sound 0
 * @param mono           true when it was recorded with one channel
 */
public record StereoImage(double peakLeft, double peakRight, double peakDifference, boolean mono) {
    public static final StereoImage NOTHING = new StereoImage(0, 0, 0, true);

    /** What a listener would call it. */
    public enum Kind {
        @JsonProperty("silent")
        SILENT,
        @JsonProperty("mono")
        MONO,
        @JsonProperty("sameOnBothSides")
        SAME_ON_BOTH_SIDES,
        @JsonProperty("leftOnly")
        LEFT_ONLY,
        @JsonProperty("rightOnly")
        RIGHT_ONLY,
        @JsonProperty("stereo")
        STEREO
    }

    /** The greatest sample of either side, as an amplitude: 1 is full scale. */
    public double peak() {
        return Math.max(peakLeft, peakRight);
    }

    /**
     * Two sides are the same, or one is silent, when what sets them apart stays below -90 dB of the louder.
     * Measured against the louder side and not against full scale, so that a quiet room keeps its width.
     */
    public Kind kind() {
        double threshold = peak() * Decibels.toFactor(Decibels.SIDE_THRESHOLD_DB);
        if (peak() == 0) {
            return Kind.SILENT;
        }
        if (mono) {
            return Kind.MONO;
        }
        if (peakDifference <= threshold) {
            return Kind.SAME_ON_BOTH_SIDES;
        }
        if (peakRight <= threshold) {
            return Kind.LEFT_ONLY;
        }
        return peakLeft <= threshold ? Kind.RIGHT_ONLY : Kind.STEREO;
    }

    /** Both sounds one after the other in one place: the larger of each peak. */
    public StereoImage with(StereoImage other) {
        return new StereoImage(
                Math.max(peakLeft, other.peakLeft),
                Math.max(peakRight, other.peakRight),
                Math.max(peakDifference, other.peakDifference),
                mono && other.mono);
    }

    /** The same sound after a gain. */
    public StereoImage times(double factor) {
        return new StereoImage(peakLeft * factor, peakRight * factor, peakDifference * factor, mono);
    }
}
