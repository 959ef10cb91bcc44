package apodex.effect;

import java.util.List;

/**
 * A hall: eight delay lines of unrelated lengths feed each other through a Hadamard matrix, which keeps energy, so that
 * the decay is set by one factor per line alone (Jot and Chaigne, AES 90th Convention, 1991). Always stereo.
 */
final class HallReverb extends Effect {
    static final Setting DECAY = Setting.of("decaySeconds", "Decay", "s", 0.2, 12, 2.2);
    static final Setting PRE_DELAY = Setting.of("preDelayMs", "Pre-delay", "ms", 0, 200, 20);
    static final Setting TONE = Setting.of("toneHz", "Tone", "Hz", 500, 20_000, 6_000);
    static final Setting MIX = Setting.of("mixPercent", "Mix", "%", 0, 100, 30);

    HallReverb() {
        super(
                "hallReverb",
                "Hall reverb",
                "A large room with a smooth decay.",
                Nature.LINEAR,
                DECAY,
                PRE_DELAY,
                TONE,
                MIX);
    }

    @Override
    public int width(int in) {
        return 2;
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return place.frames(values.of(DECAY) * 1_500 + values.of(PRE_DELAY) + 200);
    }

    @Override
    public long gapFrames(Values values, Conditions place) {
        return place.frames(values.of(PRE_DELAY));
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place));
    }

    private static final class Running extends LinearUnit {
        private static final double[] LINE_MS = {29.7, 37.1, 41.1, 43.7, 53.3, 61.7, 67.9, 73.1};
        private static final int LINES = LINE_MS.length;
        private static final double[] DIFFUSION_MS = {4.77, 3.59, 12.73};
        private static final double DIFFUSION = 0.6;
        private static final double MATRIX = 1 / Math.sqrt(LINES);
        private static final double INPUT = 0.5;
        private final boolean mono;
        private final DelayLine[] before = new DelayLine[2];
        private final DelayLine[][] diffusers = new DelayLine[2][DIFFUSION_MS.length];
        private final int[] diffusion = new int[DIFFUSION_MS.length];
        private final DelayLine[] lines = new DelayLine[LINES];
        private final int[] frames = new int[LINES];
        private final double[] kept = new double[LINES];
        private final double[] low = new double[LINES];
        private final double[] mixed = new double[LINES];
        private final int preDelay;
        private final double darkening;
        private final double wet;
        private final double dry;

        Running(Values values, Conditions place) {
            mono = place.width() == 1;
            preDelay = place.frames(values.of(PRE_DELAY));
            for (int c = 0; c < 2; c++) {
                before[c] = new DelayLine(preDelay);
                for (int d = 0; d < DIFFUSION_MS.length; d++) {
                    diffusion[d] = place.frames(DIFFUSION_MS[d]);
                    diffusers[c][d] = new DelayLine(diffusion[d]);
                }
            }
            for (int k = 0; k < LINES; k++) {
                frames[k] = place.frames(LINE_MS[k]);
                lines[k] = new DelayLine(frames[k]);
                kept[k] = StrictMath.pow(
                        10, -3.0 * frames[k] / (values.of(DECAY) * place.rate().hertz()));
            }
            darkening = OnePole.share(values.of(TONE), place);
            wet = values.share(MIX);
            dry = 1 - wet;
        }

        @Override
        public void process(double[][] block, int from, int to, long frame) {
            double[] left = block[0];
            double[] right = block[1];
            for (int i = from; i < to; i++) {
                double inLeft = left[i];
                double inRight = mono ? inLeft : right[i];
                before[0].write(inLeft);
                before[1].write(inRight);
                double a = INPUT * diffused(diffusers[0], before[0].read(preDelay));
                double b = INPUT * diffused(diffusers[1], before[1].read(preDelay));
                for (int k = 0; k < LINES; k++) {
                    double back = lines[k].read(frames[k] - 1);
                    low[k] += darkening * (back - low[k]);
                    mixed[k] = kept[k] * low[k];
                }
                double outLeft = mixed[0] - mixed[2] + mixed[4] - mixed[6];
                double outRight = mixed[1] - mixed[3] + mixed[5] - mixed[7];
                hadamard(mixed);
                for (int k = 0; k < LINES; k++) {
                    lines[k].write(MATRIX * mixed[k] + ((k & 1) == 0 ? a : b));
                }
                left[i] = dry * inLeft + wet * outLeft;
                right[i] = dry * inRight + wet * outRight;
            }
        }

        /** All-passes in a row (M. R. Schroeder, JAES 10/3, 1962). */
        private double diffused(DelayLine[] chain, double sample) {
            double x = sample;
            for (int d = 0; d < chain.length; d++) {
                double delayed = chain[d].read(diffusion[d] - 1);
                double inner = x - DIFFUSION * delayed;
                chain[d].write(inner);
                x = delayed + DIFFUSION * inner;
            }
            return x;
        }

        /** The fast transform in place: sums and differences at distances 1, 2 and 4. */
        private static void hadamard(double[] v) {
            for (int step = 1; step < LINES; step *= 2) {
                for (int k = 0; k < LINES; k++) {
                    if ((k & step) == 0) {
                        double sum = v[k] + v[k + step];
                        v[k + step] = v[k] - v[k + step];
                        v[k] = sum;
                    }
                }
            }
        }

        @Override
        public void settle() {
            OnePole.settle(low);
        }

        @Override
        public boolean isAtRest() {
            for (int k = 0; k < LINES; k++) {
                if (!lines[k].isEmpty() || low[k] != 0) {
                    return false;
                }
            }
            return isEmpty(before) && isEmpty(diffusers[0]) && isEmpty(diffusers[1]);
        }

        private static boolean isEmpty(DelayLine[] all) {
            for (DelayLine line : all) {
                if (!line.isEmpty()) {
                    return false;
                }
            }
            return true;
        }
    }
}
