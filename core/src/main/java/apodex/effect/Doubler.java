package apodex.effect;

import java.util.List;

/** Chorus: two wandering copies, one to each side, beside the signal itself. Always stereo. */
final class Doubler extends Effect {
    static final Setting RATE = Setting.of("rateHz", "Rate", "Hz", 0.05, 8, 0.6);
    static final Setting DEPTH = Setting.of("depthMs", "Depth", "ms", 0, 10, 2.5);
    static final Setting DELAY = Setting.of("delayMs", "Delay", "ms", 1, 40, 14);
    static final Setting MIX = Setting.of("mixPercent", "Mix", "%", 0, 100, 50);

    Doubler() {
        super(
                "doubler",
                "Chorus and doubler",
                "Two wandering copies, one to each side.",
                Nature.LINEAR,
                RATE,
                DEPTH,
                DELAY,
                MIX);
    }

    @Override
    public int width(int in) {
        return 2;
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return longest(values, place);
    }

    private static int longest(Values values, Conditions place) {
        return place.frames(values.of(DELAY) + values.of(DEPTH)) + 2;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place));
    }

    private static final class Running extends LinearUnit {
        private final DelayLine[] lines = new DelayLine[2];
        private final boolean mono;
        private final double cyclesPerFrame;
        private final double depth;
        private final double delay;
        private final double wet;
        private final double dry;

        Running(Values values, Conditions place) {
            mono = place.width() == 1;
            for (int c = 0; c < 2; c++) {
                lines[c] = new DelayLine(longest(values, place));
            }
            cyclesPerFrame = values.of(RATE) / place.rate().hertz();
            double framesPerMs = place.rate().hertz() / 1000.0;
            delay = values.of(DELAY) * framesPerMs;
            depth = Math.min(values.of(DEPTH) * framesPerMs, delay - 1);
            wet = values.share(MIX);
            dry = 1 - wet;
        }

        @Override
        public void process(double[][] block, int from, int to, long frame) {
            if (mono) {
                System.arraycopy(block[0], from, block[1], from, to - from);
            }
            for (int c = 0; c < 2; c++) {
                DelayLine line = lines[c];
                double[] channel = block[c];
                double offset = 0.25 * c;
                for (int i = from; i < to; i++) {
                    line.write(channel[i]);
                    double cycles = (frame + i - from) * cyclesPerFrame + offset;
                    double copy = line.read(delay + depth * wave(cycles - Math.floor(cycles)));
                    channel[i] = dry * channel[i] + wet * copy;
                }
            }
        }

        /** Two parabolas that look like a sine. */
        private static double wave(double cycle) {
            double x = 2 * cycle - 1;
            return 4 * x * (1 - Math.abs(x));
        }

        @Override
        public boolean isAtRest() {
            return lines[0].isEmpty() && lines[1].isEmpty();
        }
    }
}
