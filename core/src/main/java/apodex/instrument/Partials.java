package apodex.instrument;

import apodex.time.SampleRate;

/**
 * Anything that is a sum of partials under one envelope: reed organ, bell, pad, bass. Every partial has a ratio to the
 * note's frequency, a level, its own decay and its place between the sides.
 */
final class Partials extends Instrument {
    private static final Part SOUND = new Part("sound", "Sound", 1);
    private static final Part WIDE = new Part("sound", "Sound", 2);
    private final Shape shape;

    /**
     * How it sounds.
     *
     * @param ratios        of the partials' frequencies to the note's
     * @param levels        of the partials
     * @param decaySeconds  time in which the first partial falls by 60 dB while held; 0 for never
     * @param attackSeconds from nothing to full
     * @param release       seconds from a note's end to silence
     * @param detuneHertz   how far the sides' frequencies lie apart; 0 for mono
     * @param peak          of one note struck as hard as can be
     */
    record Shape(
            double[] ratios,
            double[] levels,
            double decaySeconds,
            double attackSeconds,
            double release,
            double detuneHertz,
            double peak) {}

    Partials(String id, String name, String words, Shape shape) {
        super(id, name, words, shape.release, shape.peak, shape.detuneHertz == 0 ? SOUND : WIDE);
        this.shape = shape;
    }

    @Override
    public Voice voice(Part part, Note note, long heldFrames, SampleRate rate) {
        return new Tone(note, heldFrames, rate, part.channels());
    }

    private final class Tone extends Voice {
        private final long held;
        private final long end;
        private final double attackFrames;
        private final double[][] phase;
        private final double[][] step;
        private final double[] level;
        private final double[] kept;
        private final double releaseFrames;
        private long age;

        Tone(Note note, long held, SampleRate rate, int channels) {
            this.held = held;
            releaseFrames = shape.release * rate.hertz();
            end = held + Math.round(releaseFrames);
            attackFrames = Math.max(1, shape.attackSeconds * rate.hertz());
            int count = shape.ratios.length;
            phase = new double[channels][count];
            step = new double[channels][count];
            level = new double[count];
            kept = new double[count];
            Noise noise = new Noise(note.seed());
            for (int k = 0; k < count; k++) {
                double hertz = note.hertz() * shape.ratios[k];
                level[k] = hertz < 0.45 * rate.hertz() ? shape.levels[k] * note.force() * 0.4 : 0;
                kept[k] = shape.decaySeconds == 0
                        ? 1
                        : StrictMath.pow(10, -3 * Math.sqrt(shape.ratios[k]) / (shape.decaySeconds * rate.hertz()));
                double start = (noise.next() + 1) / 2;
                for (int c = 0; c < channels; c++) {
                    phase[c][k] = start;
                    step[c][k] = (hertz + (c == 0 ? -0.5 : 0.5) * shape.detuneHertz) / rate.hertz();
                }
            }
        }

        @Override
        public void add(double[][] block, int from, int to) {
            for (int i = from; i < to && age < end; i++, age++) {
                double envelope = Math.min(1, age / attackFrames);
                if (age > held) {
                    double left = 1 - (age - held) / releaseFrames;
                    envelope *= left * left;
                }
                for (int c = 0; c < block.length; c++) {
                    double[] turns = phase[c];
                    double[] steps = step[c];
                    double sum = 0;
                    for (int k = 0; k < turns.length; k++) {
                        sum += level[k] * Sine.at(turns[k]);
                        turns[k] += steps[k];
                    }
                    block[c][i] += envelope * sum;
                }
                for (int k = 0; k < kept.length; k++) {
                    level[k] *= kept[k];
                }
            }
        }

        @Override
        public boolean isOver() {
            return age >= end;
        }
    }
}
