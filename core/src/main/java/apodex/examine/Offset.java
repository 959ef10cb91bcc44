package apodex.examine;

import apodex.measure.Decibels;
import apodex.measure.Lanes;
import apodex.measure.SoundScan;
import java.util.Locale;
import java.util.Optional;

/** The middle of the wave is not at nothing. */
final class Offset implements Watch {
    private final double[] sums;
    private long frames;

    Offset(int channels) {
        sums = new double[channels];
    }

    @Override
    public void hear(double[][] block, int count, long first, double peak) {
        for (int c = 0; c < sums.length; c++) {
            sums[c] += Lanes.sum(block[c], 0, count);
        }
        frames += count;
    }

    @Override
    public Optional<Oddity> tell() {
        double most = 0;
        for (double sum : sums) {
            most = Math.abs(sum / frames) > Math.abs(most) ? sum / frames : most;
        }
        return Math.abs(most) <= SoundScan.OFFSET_SHOWS
                ? Optional.empty()
                : Optional.of(new Oddity(
                        Oddity.Kind.OFFSET,
                        String.format(
                                Locale.ROOT,
                                "Its middle lies %.1f %% of full scale %s nothing (%.0f dBFS).",
                                Math.abs(most) * 100,
                                most > 0 ? "above" : "below",
                                Decibels.ofAmplitude(Math.abs(most))),
                        0));
    }
}
