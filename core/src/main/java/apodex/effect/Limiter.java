package apodex.effect;

import java.util.Arrays;
import java.util.List;

/**
 * Keeps every sample below a ceiling. The gain each sample needs is held as long as the look-ahead, released with a
 * time constant, and averaged over the look-ahead: an average of gains none of which is too high is not too high.
 * Gains are whole numbers of 2^-40, so that the running sum never drifts.
 */
final class Limiter extends Effect {
    static final Setting CEILING = Setting.of("ceilingDb", "Ceiling", "dBFS", -24, 0, -1);
    static final Setting DRIVE = Setting.of("driveDb", "Drive", "dB", 0, 24, 0);
    static final Setting LOOK_AHEAD = Setting.of("lookAheadMs", "Look-ahead", "ms", 0.5, 20, 5);
    static final Setting RELEASE = Setting.of("releaseMs", "Release", "ms", 5, 2_000, 100);

    Limiter() {
        super(
                "limiter",
                "Limiter",
                "Keeps every sample below a ceiling.",
                Nature.GAIN,
                CEILING,
                DRIVE,
                LOOK_AHEAD,
                RELEASE);
    }

    @Override
    public int latencyFrames(Values values, Conditions place) {
        return Math.max(1, place.frames(values.of(LOOK_AHEAD)));
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place, latencyFrames(values, place)));
    }

    private static final class Running extends GainUnit {
        private static final long UNITY = 1L << 40;
        private final int lookAhead;
        private final double ceiling;
        private final double drive;
        private final double kept;
        /** The window's least gain, by a queue of candidates in ascending order of gain (monotonic wedge). */
        private final long[] wedgeGain;

        private final long[] wedgeFrame;
        private int wedgeHead;
        private int wedgeSize;
        private final long[] averaged;
        private int at;
        private long sum;
        private long released = UNITY;
        private long frame;
        private long unityFor = Long.MAX_VALUE / 2;

        Running(Values values, Conditions place, int latency) {
            lookAhead = latency;
            ceiling = values.factor(CEILING);
            drive = values.factor(DRIVE);
            kept = StrictMath.exp(-1000 / (values.of(RELEASE) * place.rate().hertz()));
            wedgeGain = new long[lookAhead + 2];
            wedgeFrame = new long[lookAhead + 2];
            averaged = new long[lookAhead + 1];
            Arrays.fill(averaged, UNITY);
            sum = UNITY * averaged.length;
        }

        @Override
        public int latencyFrames() {
            return lookAhead;
        }

        @Override
        public void gains(double[][] key, double[] gains, int from, int to) {
            double[] left = key[0];
            double[] right = key.length > 1 ? key[1] : left;
            double scale = drive / ((double) UNITY * averaged.length);
            for (int i = from; i < to; i++) {
                double level = Math.max(Math.abs(left[i]), Math.abs(right[i])) * drive;
                long needed = level <= ceiling ? UNITY : (long) (ceiling / level * UNITY);
                long least = least(needed);
                // straight down, exponentially up, never above what is needed
                released = least <= released ? least : Math.min(least, least - (long) ((least - released) * kept));
                sum += released - averaged[at];
                averaged[at] = released;
                at = at + 1 == averaged.length ? 0 : at + 1;
                unityFor = released == UNITY ? unityFor + 1 : 0;
                gains[i] = sum * scale;
            }
        }

        private long least(long needed) {
            int capacity = wedgeGain.length;
            while (wedgeSize > 0 && wedgeGain[(wedgeHead + wedgeSize - 1) % capacity] >= needed) {
                wedgeSize--;
            }
            int tail = (wedgeHead + wedgeSize) % capacity;
            wedgeGain[tail] = needed;
            wedgeFrame[tail] = frame;
            wedgeSize++;
            if (wedgeFrame[wedgeHead] < frame - lookAhead) {
                wedgeHead = (wedgeHead + 1) % capacity;
                wedgeSize--;
            }
            frame++;
            return wedgeGain[wedgeHead];
        }

        @Override
        public void settle() {
            if (UNITY - released < 16) {
                released = UNITY;
            }
        }

        @Override
        public boolean isAtRest() {
            return unityFor > averaged.length;
        }
    }
}
