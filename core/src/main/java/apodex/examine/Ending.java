package apodex.examine;

import apodex.measure.Lanes;
import apodex.time.SampleRate;
import java.util.Locale;
import java.util.Optional;

/** A tail that is cut off: the last moment still sounds. */
final class Ending implements Watch {
    private static final double LAST_SECONDS = 0.005;
    private static final double LOUDEST_SECONDS = 0.02;
    /** Below this of the file's loudest, what is lost of a tail is hardly missed. */
    private static final double MISSED_DB = -36;

    private static final double HEARD_DBFS = -54;
    /** Above the quietest moment: what hums or hisses all along does so at its end as well. */
    private static final double ABOVE_QUIETEST_DB = 12;

    private final long from;
    private final long frames;
    private double lastSquares;
    private long lastCounted;
    private double windowSquares;
    private int windowCounted;
    private double loudest;
    private double quietest = Double.MAX_VALUE;
    private final int window;

    Ending(SampleRate rate, long frames) {
        this.frames = frames;
        this.from = frames - (long) (LAST_SECONDS * rate.hertz());
        this.window = (int) (LOUDEST_SECONDS * rate.hertz());
    }

    @Override
    public void hear(double[][] block, int count, long first, double peak) {
        for (int at = 0; at < count; ) {
            int to = Math.min(count, at + window - windowCounted);
            windowSquares += energy(block, at, to);
            windowCounted += to - at;
            at = to;
            if (windowCounted == window) {
                loudest = Math.max(loudest, windowSquares / window);
                quietest = Math.min(quietest, windowSquares / window);
                windowSquares = 0;
                windowCounted = 0;
            }
        }
        int last = (int) Math.max(0, Math.min(count, from - first));
        lastSquares += energy(block, last, count);
        lastCounted += count - last;
    }

    /** Of the sides together. */
    private static double energy(double[][] block, int from, int to) {
        double sum = 0;
        for (double[] channel : block) {
            sum += Lanes.squares(channel, from, to);
        }
        return sum;
    }

    @Override
    public Optional<Oddity> tell() {
        if (lastCounted == 0 || from <= window || loudest == 0) {
            return Optional.empty();
        }
        double lastDb = 10 * Math.log10(lastSquares / lastCounted);
        double below = lastDb - 10 * Math.log10(loudest);
        double above = lastDb - 10 * Math.log10(quietest);
        return below < MISSED_DB || lastDb < HEARD_DBFS || above < ABOVE_QUIETEST_DB
                ? Optional.empty()
                : Optional.of(new Oddity(
                        Oddity.Kind.ENDS_IN_SOUND,
                        String.format(
                                Locale.ROOT,
                                "It ends while it still sounds, %.0f dB below its loudest: its tail is cut off.",
                                Math.abs(Math.min(0, below))),
                        frames));
    }
}
