package apodex.instrument;

import java.util.Arrays;

/**
 * A value that is set now and then, over frames. It gets to what it is set to within {@value #GLIDE_SECONDS} s, so that nothing clicks;
 * what is set at the very start is there from the start.
 */
public final class Curve {
    static final double GLIDE_SECONDS = 0.005;

    private final double first;
    private final long glide;
    private long[] frames = new long[16];
    private double[] from = new double[16];
    private double[] to = new double[16];
    /** How many times it is set. */
    private int count;
    /** The last setting at or before the frame that was asked for last; −1 for none. */
    private int now = -1;

    /**
     * One that nothing has set.
     *
     * @param hertz frames a second
     */
    Curve(double value, double hertz) {
        first = value;
        glide = Math.max(1, Math.round(GLIDE_SECONDS * hertz));
    }

    /** Sets it. @param frame not before those set already */
    void set(long frame, double value) {
        double before = count == 0 && frame <= 0 ? value : at(frame - 1);
        if (count == frames.length) {
            frames = Arrays.copyOf(frames, 2 * count);
            from = Arrays.copyOf(from, 2 * count);
            to = Arrays.copyOf(to, 2 * count);
        }
        frames[count] = frame;
        from[count] = before;
        to[count] = value;
        count++;
    }

    /** Whether it is the same all the time. */
    boolean isFlat() {
        return Arrays.stream(to, 0, count).allMatch(each -> each == first);
    }

    /** The lowest it is set to. */
    double lowest() {
        return Math.min(first, Arrays.stream(to, 0, count).min().orElse(first));
    }

    /** Its value; near what was asked for last it is found at once. */
    public double at(long frame) {
        while (now + 1 < count && frames[now + 1] <= frame) {
            now++;
        }
        while (now >= 0 && frames[now] > frame) {
            now--;
        }
        return now < 0 ? first : from[now] + (to[now] - from[now]) * way(frame - frames[now] + 1);
    }

    private double way(long passed) {
        return passed >= glide ? 1 : (double) passed / glide;
    }

    /** Sum of its values over frames from one up to another. */
    double sum(long start, long end) {
        double sum = first * Math.max(0, Math.min(end, count == 0 ? end : frames[0]) - start);
        for (int i = 0; i < count; i++) {
            long a = Math.max(start, frames[i]);
            long b = i + 1 < count ? Math.min(end, frames[i + 1]) : end;
            if (a < b) {
                sum += from[i] * (b - a) + (to[i] - from[i]) * (ways(b - frames[i]) - ways(a - frames[i]));
            }
        }
        return sum;
    }

    /** Sum of {@link #way} over the first frames of a glide. */
    private double ways(long count) {
        long gliding = Math.min(count, glide);
        return gliding * (gliding + 1) / 2.0 / glide + (count - gliding);
    }
}
