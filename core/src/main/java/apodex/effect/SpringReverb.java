package apodex.effect;

import java.util.List;

/**
 * A spring: sound runs up and down it, high notes slower than low ones. The loop is a delay behind a chain of all-pass
 * filters, which spread the frequencies in time (Parker and Bilbao, DAFx 2009, in its simplest form).
 */
final class SpringReverb extends Effect {
    static final Setting DECAY = Setting.of("decaySeconds", "Decay", "s", 0.3, 6, 2);
    static final Setting TONE = Setting.of("toneHz", "Tone", "Hz", 500, 8_000, 3_500);
    static final Setting MIX = Setting.of("mixPercent", "Mix", "%", 0, 100, 25);

    SpringReverb() {
        super(
                "springReverb",
                "Spring reverb",
                "Two springs, as in a guitar amplifier.",
                Nature.LINEAR,
                DECAY,
                TONE,
                MIX);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return place.frames(values.of(DECAY) * 1_500 + 200);
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place));
    }

    private static final class Running extends LinearUnit {
        private static final int STAGES = 24;
        private static final double SPREAD = 0.6;
        /** One way along each spring. */
        private static final double[] SPRING_MS = {33.7, 41.3};

        private final DelayLine[][] lines;
        private final double[][] low;
        private final double[][][] chain;
        private final int[] frames = new int[SPRING_MS.length];
        private final double[] kept = new double[SPRING_MS.length];
        private final double darkening;
        private final double wet;
        private final double dry;

        Running(Values values, Conditions place) {
            int width = place.width();
            lines = new DelayLine[width][SPRING_MS.length];
            low = new double[width][SPRING_MS.length];
            chain = new double[width][SPRING_MS.length][STAGES];
            // at low frequencies each all-pass stage delays by (1 - a) / (1 + a) frames
            double chainFrames = STAGES * (1 - SPREAD) / (1 + SPREAD);
            for (int s = 0; s < SPRING_MS.length; s++) {
                frames[s] = place.frames(SPRING_MS[s]);
                double loop = (frames[s] + chainFrames) / place.rate().hertz();
                kept[s] = StrictMath.pow(10, -3 * loop / values.of(DECAY));
                for (int c = 0; c < width; c++) {
                    lines[c][s] = new DelayLine(frames[s]);
                }
            }
            darkening = OnePole.share(values.of(TONE), place);
            wet = values.share(MIX);
            dry = 1 - wet;
        }

        @Override
        public void process(double[][] block, int from, int to, long frame) {
            for (int c = 0; c < lines.length; c++) {
                double[] channel = block[c];
                for (int i = from; i < to; i++) {
                    double in = channel[i];
                    double springs = 0;
                    for (int s = 0; s < SPRING_MS.length; s++) {
                        double back = lines[c][s].read(frames[s] - 1);
                        low[c][s] += darkening * (back - low[c][s]);
                        springs += low[c][s];
                        lines[c][s].write(spread(chain[c][s], 0.5 * in + kept[s] * low[c][s]));
                    }
                    channel[i] = dry * in + wet * springs;
                }
            }
        }

        /** {@code STAGES} first-order all-passes {@code (a + z^-1) / (1 + a z^-1)}, one state each. */
        private static double spread(double[] state, double sample) {
            double x = sample;
            for (int k = 0; k < STAGES; k++) {
                double y = SPREAD * x + state[k];
                state[k] = x - SPREAD * y;
                x = y;
            }
            return x;
        }

        @Override
        public void settle() {
            for (int c = 0; c < lines.length; c++) {
                OnePole.settle(low[c]);
                for (double[] state : chain[c]) {
                    OnePole.settle(state);
                }
            }
        }

        @Override
        public boolean isAtRest() {
            for (int c = 0; c < lines.length; c++) {
                for (int s = 0; s < SPRING_MS.length; s++) {
                    if (!lines[c][s].isEmpty() || low[c][s] != 0 || anything(chain[c][s])) {
                        return false;
                    }
                }
            }
            return true;
        }

        private static boolean anything(double[] state) {
            for (double value : state) {
                if (value != 0) {
                    return true;
                }
            }
            return false;
        }
    }
}
