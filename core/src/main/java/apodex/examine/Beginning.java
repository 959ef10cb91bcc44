package apodex.examine;

import apodex.time.SampleRate;
import java.util.Arrays;
import java.util.Optional;

/** A click at the very start, or a start in the middle of a sound. */
final class Beginning implements Watch {
    private static final double CLICK_SECONDS = 0.003;
    private static final double AFTER_SECONDS = 0.1;
    /** A click stands out from what follows by so much, and is loud enough to be heard. */
    private static final double STANDS_OUT = 10;

    private static final double HEARD = 0.01;
    /** The first sample of a sound that was cut into is nowhere near nothing: a tenth of what follows. */
    private static final double CUT_INTO = 0.1;

    private final int clickFrames;
    private final double[] start;
    private int filled;

    Beginning(SampleRate rate) {
        clickFrames = (int) (CLICK_SECONDS * rate.hertz());
        start = new double[(int) (AFTER_SECONDS * rate.hertz())];
    }

    @Override
    public void hear(double[][] block, int frames, long first, double peak) {
        for (int i = 0; i < frames && filled < start.length; i++) {
            double most = 0;
            for (double[] channel : block) {
                most = Math.abs(channel[i]) > Math.abs(most) ? channel[i] : most;
            }
            start[filled++] = most;
        }
    }

    @Override
    public Optional<Oddity> tell() {
        if (filled < start.length) {
            return Optional.empty();
        }
        double click = peak(0, clickFrames);
        double after = peak(2 * clickFrames, filled);
        if (click > HEARD && click > STANDS_OUT * after) {
            return Optional.of(new Oddity(Oddity.Kind.CLICK_AT_START, "It starts with a click.", 0));
        }
        boolean into = Math.abs(start[0]) > HEARD && Math.abs(start[0]) > CUT_INTO * Math.max(click, after);
        return into
                ? Optional.of(new Oddity(
                        Oddity.Kind.STARTS_IN_SOUND,
                        "It starts in the middle of a sound: something may be cut off.",
                        0))
                : Optional.empty();
    }

    private double peak(int from, int to) {
        return Arrays.stream(start, from, to).map(Math::abs).max().orElse(0);
    }
}
