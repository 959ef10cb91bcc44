package apodex.handoff;

import apodex.measure.Decibels;
import apodex.measure.StereoImage;
import apodex.session.Row;
import java.util.Locale;

/** Says in a sentence why a row is printed mono or stereo. */
final class SidesInWords {
    private SidesInWords() {}

    static String of(Row row, StereoImage image) {
        if (row.clips().isEmpty()) {
            return "There is no clip on this row.";
        }
        return switch (image.kind()) {
            case SILENT -> "Not one sample differs from silence.";
            case MONO -> "Recorded with one channel.";
            case SAME_ON_BOTH_SIDES ->
                image.peakDifference() == 0
                        ? "Left and right are the same, sample for sample. The left side is taken."
                        : "Left and right are the same to " + relative(image.peakDifference(), image)
                                + " of the louder. The left side is taken.";
            case LEFT_ONLY -> "The right side is silent. The left side is taken.";
            case RIGHT_ONLY -> "The left side is silent. The right side is taken.";
            case STEREO ->
                "Left and right differ by up to " + relative(image.peakDifference(), image) + " of the louder.";
        };
    }

    private static String relative(double amplitude, StereoImage image) {
        return String.format(Locale.ROOT, "%.1f dB", Decibels.ofAmplitude(amplitude / image.peak()))
                .replace("-", "−");
    }
}
