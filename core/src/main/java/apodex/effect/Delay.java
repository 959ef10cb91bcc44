package apodex.effect;

import java.util.List;

/** Repeats what it hears, each time quieter and darker. Length in time, or as a note value at the song's first tempo. */
final class Delay extends Effect {
    static final Setting TIME = Setting.of("timeMs", "Time", "ms", 1, 4_000, 350);
    static final Setting NOTE = Setting.of("noteQuarters", "Note value (0: use the time)", "quarters", 0, 8, 0);
    static final Setting FEEDBACK = Setting.of("feedbackPercent", "Repeats", "%", 0, 95, 35);
    static final Setting TONE = Setting.of("toneHz", "Tone", "Hz", 500, 20_000, 6_000);
    static final Setting MIX = Setting.of("mixPercent", "Mix", "%", 0, 100, 30);

    Delay() {
        super(
                "delay",
                "Delay",
                "Repeats what it hears, in time or in note values.",
                Nature.LINEAR,
                TIME,
                NOTE,
                FEEDBACK,
                TONE,
                MIX);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        double feedback = values.share(FEEDBACK);
        int repeats = feedback == 0 ? 1 : 1 + (int) Math.ceil(-90 / 20.0 / Math.log10(feedback));
        return (long) repeats * frames(values, place);
    }

    @Override
    public long gapFrames(Values values, Conditions place) {
        return frames(values, place);
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place, frames(values, place)));
    }

    static int frames(Values values, Conditions place) {
        double quarters = values.of(NOTE);
        return Math.max(1, quarters > 0 ? place.framesOfQuarters(quarters) : place.frames(values.of(TIME)));
    }

    private static final class Running extends LinearUnit {
        private final DelayLine[] lines;
        private final double[] dark;
        private final int frames;
        private final double feedback;
        private final double darkening;
        private final double wet;
        private final double dry;

        Running(Values values, Conditions place, int frames) {
            this.frames = frames;
            lines = new DelayLine[place.width()];
            for (int c = 0; c < lines.length; c++) {
                lines[c] = new DelayLine(frames);
            }
            dark = new double[lines.length];
            feedback = values.share(FEEDBACK);
            darkening = OnePole.share(values.of(TONE), place);
            wet = values.share(MIX);
            dry = 1 - wet;
        }

        @Override
        public void process(double[][] block, int from, int to, long frame) {
            for (int c = 0; c < lines.length; c++) {
                DelayLine line = lines[c];
                double[] channel = block[c];
                double low = dark[c];
                for (int i = from; i < to; i++) {
                    double echo = line.read(frames - 1);
                    low += darkening * (echo - low);
                    line.write(channel[i] + feedback * low);
                    channel[i] = dry * channel[i] + wet * echo;
                }
                dark[c] = low;
            }
        }

        @Override
        public void settle() {
            OnePole.settle(dark);
        }

        @Override
        public boolean isAtRest() {
            for (int c = 0; c < lines.length; c++) {
                if (!lines[c].isEmpty() || dark[c] != 0) {
                    return false;
                }
            }
            return true;
        }
    }
}
