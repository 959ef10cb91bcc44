package apodex.effect;

import java.util.List;

/** Turns down what is quiet: opens above a threshold, holds, and closes. Gains move in a straight line in dB. */
final class Gate extends Effect {
    static final Setting THRESHOLD = Setting.of("thresholdDb", "Threshold", "dB", -80, 0, -45);
    static final Setting RANGE = Setting.of("rangeDb", "Range", "dB", 1, 100, 60);
    static final Setting ATTACK = Setting.of("attackMs", "Attack", "ms", 0.1, 100, 1);
    static final Setting HOLD = Setting.of("holdMs", "Hold", "ms", 0, 2_000, 50);
    static final Setting RELEASE = Setting.of("releaseMs", "Release", "ms", 5, 4_000, 200);

    Gate() {
        super(
                "gate",
                "Gate",
                "Turns down what is quiet; can listen to another row.",
                Nature.GAIN,
                THRESHOLD,
                RANGE,
                ATTACK,
                HOLD,
                RELEASE);
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
        private final double threshold;
        private final double closed;
        private final double opening;
        private final double closing;
        private final int hold;
        /** Attenuation in doublings of amplitude: 0 open, {@link #closed} closed. */
        private double attenuation;

        private int held;

        Running(Values values, Conditions place) {
            threshold = values.factor(THRESHOLD);
            closed = values.of(RANGE) / LevelMath.DB_PER_OCTAVE;
            opening = closed / Math.max(1, place.frames(values.of(ATTACK)));
            closing = closed / Math.max(1, place.frames(values.of(RELEASE)));
            hold = place.frames(values.of(HOLD));
            attenuation = closed;
        }

        @Override
        public void gains(double[][] key, double[] gains, int from, int to) {
            double[] left = key[0];
            double[] right = key.length > 1 ? key[1] : left;
            for (int i = from; i < to; i++) {
                if (Math.max(Math.abs(left[i]), Math.abs(right[i])) >= threshold) {
                    held = hold;
                    attenuation = Math.max(0, attenuation - opening);
                } else if (held > 0) {
                    held--;
                    attenuation = Math.max(0, attenuation - opening);
                } else {
                    attenuation = Math.min(closed, attenuation + closing);
                }
                gains[i] = LevelMath.exp2(-attenuation);
            }
        }

        @Override
        public boolean isAtRest() {
            return held == 0 && attenuation == closed;
        }
    }
}
