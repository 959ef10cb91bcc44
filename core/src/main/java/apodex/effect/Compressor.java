package apodex.effect;

import java.util.List;

/**
 * Turns down what is loud. The louder channel's peak level goes through the static curve
 * {@code (1/ratio - 1)(level - threshold)} with a parabola over the knee; the reduction in dB follows it with one time
 * constant falling and one rising (Giannoulis, Massberg, Reiss, JAES 60/6, 2012: smooth, in the log domain).
 */
final class Compressor extends Effect {
    static final Setting THRESHOLD = Setting.of("thresholdDb", "Threshold", "dB", -60, 0, -18);
    static final Setting RATIO = Setting.of("ratio", "Ratio", ":1", 1, 20, 3);
    static final Setting KNEE = Setting.of("kneeDb", "Knee", "dB", 0, 24, 6);
    static final Setting ATTACK = Setting.of("attackMs", "Attack", "ms", 0.1, 200, 10);
    static final Setting RELEASE = Setting.of("releaseMs", "Release", "ms", 5, 3_000, 150);
    static final Setting MAKE_UP = Setting.of("makeUpDb", "Make-up", "dB", -12, 24, 0);
    static final Setting MIX = Setting.of("mixPercent", "Mix", "%", 0, 100, 100);

    Compressor() {
        super(
                "compressor",
                "Compressor",
                "Turns down what is loud; can listen to another row.",
                Nature.GAIN,
                THRESHOLD,
                RATIO,
                KNEE,
                ATTACK,
                RELEASE,
                MAKE_UP,
                MIX);
    }

    @Override
    public boolean takesKey() {
        return true;
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place));
    }

    private static final class Running extends GainUnit {
        /** A reduction below this many doublings is none. */
        private static final double NO_REDUCTION = 1e-9;

        private final double kneeStart;
        private final double knee;
        private final double slope;
        private final double attack;
        private final double release;
        private final double makeUp;
        private final double wet;
        private final double[] work = new double[SETTLE_FRAMES];
        private final double[] more = new double[SETTLE_FRAMES];
        private double reduction;

        Running(Values values, Conditions place) {
            knee = Math.max(1e-9, values.of(KNEE) / LevelMath.DB_PER_OCTAVE);
            kneeStart = values.of(THRESHOLD) / LevelMath.DB_PER_OCTAVE - knee / 2;
            slope = 1 - 1 / values.of(RATIO);
            release = keptPerFrame(values.of(RELEASE), place);
            attack = Math.min(keptPerFrame(values.of(ATTACK), place), release);
            makeUp = values.factor(MAKE_UP);
            wet = values.share(MIX);
        }

        private static double keptPerFrame(double milliseconds, Conditions place) {
            return StrictMath.exp(-1000 / (milliseconds * place.rate().hertz()));
        }

        /**
         * Small loops over small arrays, so that the compiler can do several frames at once in all but two of them: taking
         * a number apart by its bits, and following, where every frame waits for the one before.
         */
        @Override
        public void gains(double[][] key, double[] gains, int from, int to) {
            double[] left = key[0];
            double[] right = key.length > 1 ? key[1] : left;
            for (int start = from; start < to; start += SETTLE_FRAMES) {
                int count = Math.min(SETTLE_FRAMES, to - start);
                levels(left, right, start, count);
                targets(count);
                follow(count);
                factors(gains, start, count);
            }
        }

        private void levels(double[] left, double[] right, int start, int count) {
            double[] level = work;
            for (int i = 0; i < count; i++) {
                level[i] = Math.max(Math.max(Math.abs(left[start + i]), Math.abs(right[start + i])), 1e-12);
            }
            double[] exponent = more;
            for (int i = 0; i < count; i++) {
                long bits = Double.doubleToRawLongBits(level[i]);
                long whole = bits - LevelMath.SQRT_HALF_BITS >> 52;
                exponent[i] = whole;
                level[i] = Double.longBitsToDouble(bits - (whole << 52));
            }
        }

        /** The static curve: reduction in doublings, 0 or more, weighted for both directions of the pole. */
        private void targets(int count) {
            double half = 1 / (2 * knee);
            double width = knee;
            double start = kneeStart;
            double steep = slope;
            double toFast = 1 - attack;
            double toSlow = 1 - release;
            for (int i = 0; i < count; i++) {
                double above = Math.max(0, more[i] + LevelMath.log2OfMantissa(work[i]) - start);
                double inKnee = Math.min(above, width);
                double target = steep * (inKnee * inKnee * half + above - inKnee);
                work[i] = toFast * target;
                more[i] = toSlow * target;
            }
        }

        /**
         * One pole whose constant depends on the direction; written as a maximum, since a branch would be guessed wrong.
         * Positive doubles are in the order of their bits, and whole numbers are compared in fewer steps.
         */
        private void follow(int count) {
            double y = reduction;
            double fast = attack;
            double slow = release;
            for (int i = 0; i < count; i++) {
                long falling = Double.doubleToRawLongBits(fast * y + work[i]);
                long rising = Double.doubleToRawLongBits(slow * y + more[i]);
                y = Double.longBitsToDouble(Math.max(falling, rising));
                work[i] = y;
            }
            reduction = y;
        }

        private void factors(double[] gains, int start, int count) {
            for (int i = 0; i < count; i++) {
                double whole = Math.rint(work[i]);
                more[i] = whole;
                work[i] = LevelMath.exp2OfFraction(whole - work[i]);
            }
            double share = makeUp * wet;
            double straight = makeUp * (1 - wet);
            for (int i = 0; i < count; i++) {
                gains[start + i] = straight + share * work[i] * LevelMath.HALVINGS[(int) more[i]];
            }
        }

        @Override
        public void settle() {
            if (reduction < NO_REDUCTION) {
                reduction = 0;
            }
        }

        @Override
        public boolean isAtRest() {
            return reduction == 0;
        }
    }
}
