package apodex.examine;

import apodex.measure.StereoImage;
import java.util.List;

/**
 * A recording, heard once.
 *
 * @param peak     greatest sample as an amplitude; full scale at 1.0
 * @param loudest  frame of that sample
 * @param image    what its first two channels are together
 * @param firstSound frame of the first sample that is not nothing; the length where there is none
 * @param lastSound  frame after the last
 * @param shape    how loud each of its {@value #PIECES} equal pieces is against the whole, as amplitudes: alike for sounds that
 *                 are a gain apart
 * @param oddities what is odd about it
 */
public record Examination(
        double peak,
        long loudest,
        StereoImage.Kind image,
        long firstSound,
        long lastSound,
        List<Double> shape,
        List<Oddity> oddities) {
    static final int PIECES = 24;
    private static final double ALIKE = 0.002;

    /** Whether another recording's loudness runs alike: then it may be the same sound, or that a gain away. */
    public boolean runsLike(Examination other) {
        for (int i = 0; i < PIECES; i++) {
            if (Math.abs(shape.get(i) - other.shape.get(i)) > ALIKE) {
                return false;
            }
        }
        return peak > 0 && other.peak > 0;
    }
}
