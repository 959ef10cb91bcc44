package apodex.instrument;

import apodex.time.SampleRate;

/**
 * A string after Karplus and Strong (Computer Music Journal 7/2, 1983): a burst of noise runs round a delay line as long
 * as one period and loses its highs on the way; damped by the finger when the note ends.
 */
final class PluckedString extends Instrument {
    private static final Part STRINGS = new Part("strings", "Strings", 1);
    private final double brightness;
    private final double ring;

    PluckedString(String id, String name, String words, double brightness, double ring) {
        super(id, name, words, 1.2, 0.66, STRINGS);
        this.brightness = brightness;
        this.ring = ring;
    }

    @Override
    public Voice voice(Part part, Note note, long heldFrames, SampleRate rate) {
        return new Pluck(note, heldFrames, rate);
    }

    private final class Pluck extends Voice {
        private static final double FINGER = 0.985;
        private final double[] line;
        private final double fraction;
        private final long held;
        private final long end;
        private int at;
        private double last;
        private long age;

        Pluck(Note note, long held, SampleRate rate) {
            this.held = held;
            this.end = held + Math.round(1.2 * rate.hertz());
            double period = rate.hertz() / note.hertz();
            int length = Math.max(2, (int) period);
            fraction = Math.max(0, period - length);
            line = new double[length + 1];
            Noise noise = new Noise(note.seed());
            double soft = 0;
            for (int i = 0; i < line.length; i++) {
                soft += (noise.next() - soft) * (0.25 + 0.5 * note.force());
                line[i] = soft * note.force() * 0.7;
            }
        }

        @Override
        public void add(double[][] block, int from, int to) {
            double[] out = block[0];
            int length = line.length - 1;
            for (int i = from; i < to; i++) {
                int next = at == length ? 0 : at + 1;
                double here = line[at];
                out[i] += here * Math.min(1, (end - age) / 2_000.0);
                double tuned = here + fraction * (line[next] - here);
                double damping = age > held ? ring * FINGER : ring;
                line[at] = (brightness * tuned + (1 - brightness) * last) * damping;
                last = tuned;
                at = next;
                if (++age >= end) {
                    return;
                }
            }
        }

        @Override
        public boolean isOver() {
            return age >= end;
        }
    }
}
