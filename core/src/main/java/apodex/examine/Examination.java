package apodex.examine;

import apodex.measure.StereoImage;
import java.util.List;

/**
 * A recording, heard once.
 *
 * @param peak     greatest sample as an amplitude; full scale at 1.0
 * @param image    what its first two channels are together
 * @param firstSound frame of the first sample that is not nothing; the length where there is none
 * @param lastSound  frame after the last
 * @param oddities what is odd about it
 */
public record Examination(
        double peak, StereoImage.Kind image, long firstSound, long lastSound, List<Oddity> oddities) {}
