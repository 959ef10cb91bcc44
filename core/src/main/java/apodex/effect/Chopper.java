package apodex.effect;

import apodex.time.SampleRate;
import apodex.time.TempoMap;
import java.util.List;

/** Opens and closes in time with the song, whatever its tempo does. */
final class Chopper extends Effect {
    static final Setting NOTE = Setting.of("noteQuarters", "Note value", "quarters", 0.0625, 8, 0.5);
    static final Setting OPEN = Setting.of("openPercent", "Open", "%", 1, 100, 50);
    static final Setting DEPTH = Setting.of("depthPercent", "Depth", "%", 0, 100, 100);
    static final Setting EDGE = Setting.of("edgeMs", "Edge", "ms", 0.5, 100, 4);

    Chopper() {
        super("chopper", "Chopper", "Opens and closes in time with the song.", Nature.LINEAR, NOTE, OPEN, DEPTH, EDGE);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Running(values, place));
    }

    private static final class Running extends LinearUnit {
        /** The tempo map is asked at multiples of this many frames; between them time is a straight line. */
        private static final int GRID = 64;

        private final TempoMap tempo;
        private final SampleRate rate;
        private final double note;
        private final double open;
        private final double closedGain;
        private final double edgeSeconds;
        private long cell = Long.MIN_VALUE;
        private double phase;
        private double phaseStep;

        Running(Values values, Conditions place) {
            tempo = place.tempo();
            rate = place.rate();
            note = values.of(NOTE);
            open = values.share(OPEN);
            closedGain = 1 - values.share(DEPTH);
            edgeSeconds = values.of(EDGE) / 1000;
        }

        @Override
        public void process(double[][] block, int from, int to, long frame) {
            for (int i = from; i < to; i++) {
                double gain = gainAt(frame + i - from);
                for (double[] channel : block) {
                    channel[i] *= gain;
                }
            }
        }

        private double gainAt(long frame) {
            long wanted = Math.floorDiv(frame, GRID);
            if (wanted != cell) {
                cell = wanted;
                phase = tempo.quarterOf(wanted * GRID, rate) / note;
                phaseStep = (tempo.quarterOf((wanted + 1) * GRID, rate) / note - phase) / GRID;
            }
            double at = phase + (frame - cell * GRID) * phaseStep;
            double inNote = at - Math.floor(at);
            double edge = Math.min(edgeSeconds * phaseStep * rate.hertz(), Math.min(open, 1 - open) + 1e-9);
            if (open >= 1) {
                return 1;
            }
            double openness = Math.min(1, Math.min(inNote / edge, Math.max(0, (open - inNote) / edge + 1)));
            double smooth = openness * openness * (3 - 2 * openness);
            return closedGain + (1 - closedGain) * smooth;
        }
    }
}
