package apodex.instrument;

import apodex.time.SampleRate;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/**
 * A drum kit whose drums come out separately, and a room that hears them all. Notes follow the percussion map of General
 * MIDI (RP-003): 35, 36 kick; 37 to 40 snare; 42, 44, 46 hats; 41 to 50 toms; 69, 70, 82 shaker.
 */
final class DrumKit extends Instrument {
    private static final double RING = 1.5;
    private static final double HIT_QUARTERS = 0.2;

    /** A drum: a tone that falls in pitch, noise through a simple filter, and how both die away. */
    private record Drum(
            Part part,
            Set<Integer> pitches,
            double hertz,
            double bend,
            double toneSeconds,
            double tone,
            double noiseSeconds,
            double noise,
            double brightness) {}

    private static final List<Drum> DRUMS = List.of(
            new Drum(new Part("kick", "Kick", 1), Set.of(35, 36), 52, 2.2, 0.35, 0.9, 0.012, 0.25, 0.4),
            new Drum(new Part("snare", "Snare", 1), Set.of(37, 38, 39, 40), 190, 0.4, 0.16, 0.4, 0.2, 0.45, 0.7),
            new Drum(new Part("hats", "Hats", 1), Set.of(42, 44, 46), 0, 0, 0.1, 0, 0.09, 0.35, 1),
            new Drum(new Part("toms", "Toms", 1), Set.of(41, 43, 45, 47, 48, 50), 0, 0.6, 0.5, 0.7, 0.03, 0.15, 0.4),
            new Drum(new Part("shaker", "Shaker", 1), Set.of(69, 70, 82), 0, 0, 0.1, 0, 0.06, 0.25, 1));
    private static final Part ROOM = new Part("room", "Room", 2);

    DrumKit() {
        super(
                "drumKit",
                "Drum kit",
                "Kick, snare, hats, toms and shaker, each on its own, and a room.",
                RING,
                0.7,
                outputs());
    }

    private static Part[] outputs() {
        Part[] parts = Arrays.copyOf(DRUMS.stream().map(Drum::part).toArray(Part[]::new), DRUMS.size() + 1);
        parts[DRUMS.size()] = ROOM;
        return parts;
    }

    /** However long its key is down, a hit is soon far below its peak. */
    @Override
    double sounding(Note note) {
        return HIT_QUARTERS;
    }

    @Override
    boolean isTuned() {
        return false;
    }

    @Override
    public boolean plays(Part part, Note note) {
        return part.equals(ROOM)
                ? DRUMS.stream().anyMatch(drum -> drum.pitches.contains(note.pitch()))
                : DRUMS.stream().anyMatch(drum -> drum.part.equals(part) && drum.pitches.contains(note.pitch()));
    }

    @Override
    public Voice voice(Part part, Note note, long heldFrames, SampleRate rate) {
        Drum drum = DRUMS.stream()
                .filter(each -> each.pitches.contains(note.pitch()))
                .findFirst()
                .orElseThrow();
        return part.equals(ROOM) ? new FromAfar(new Hit(drum, note, rate), rate) : new Hit(drum, note, rate);
    }

    private static final class Hit extends Voice {
        private final Noise noise;
        private final double brightness;
        private final double step;
        private final double toneKept;
        private final double noiseKept;
        private final double bendKept;
        private final long end;
        private double phase;
        private double bend;
        private double tone;
        private double hiss;
        private double low;
        private long age;

        Hit(Drum drum, Note note, SampleRate rate) {
            noise = new Noise(note.seed());
            brightness = drum.brightness;
            bend = drum.bend;
            double hertz = drum.hertz > 0 ? drum.hertz : 70 + (note.pitch() - 41) * 9;
            step = hertz / rate.hertz();
            tone = drum.tone * note.force();
            hiss = drum.noise * note.force();
            toneKept = kept(drum.toneSeconds, rate);
            noiseKept = kept(note.pitch() == 46 ? drum.noiseSeconds * 4 : drum.noiseSeconds, rate);
            bendKept = kept(0.12, rate);
            end = Math.round(RING * rate.hertz());
        }

        /** Factor per frame of a fall by 60 dB. */
        private static double kept(double seconds, SampleRate rate) {
            return StrictMath.pow(10, -3 / (seconds * 2 * rate.hertz()));
        }

        double next() {
            double white = noise.next();
            low += 0.3 * (white - low);
            double sound = tone * Sine.at(phase) + hiss * (brightness * (white - low) + (1 - brightness) * low);
            phase += step * (1 + bend);
            bend *= bendKept;
            tone *= toneKept;
            hiss *= noiseKept;
            age++;
            double left = (end - age) / (0.3 * end);
            return left < 1 ? sound * Math.max(0, left) : sound;
        }

        @Override
        public void add(double[][] block, int from, int to) {
            for (int i = from; i < to && age < end; i++) {
                block[0][i] += next();
            }
        }

        @Override
        public boolean isOver() {
            return age >= end;
        }
    }

    /** The same hit as two microphones at the far wall hear it: late, dark, with a few reflections. */
    private static final class FromAfar extends Voice {
        private static final double[] LEFT_MS = {9.1, 17.3, 26.9, 41.7, 63.1};
        private static final double[] RIGHT_MS = {11.3, 15.7, 31.1, 44.9, 58.3};
        private final Hit hit;
        private final double[] heard;
        private final int[][] delays;
        private final double[] low = new double[2];
        private final long end;
        private int at;
        private long age;

        FromAfar(Hit hit, SampleRate rate) {
            this.hit = hit;
            this.delays = new int[][] {frames(LEFT_MS, rate), frames(RIGHT_MS, rate)};
            this.heard = new double[frames(new double[] {70}, rate)[0]];
            this.end = Math.round(RING * rate.hertz());
        }

        private static int[] frames(double[] milliseconds, SampleRate rate) {
            return Arrays.stream(milliseconds)
                    .mapToInt(ms -> (int) Math.round(ms / 1000 * rate.hertz()))
                    .toArray();
        }

        @Override
        public void add(double[][] block, int from, int to) {
            for (int i = from; i < to && age < end; i++, age++) {
                heard[at] = hit.isOver() ? 0 : hit.next();
                double left = Math.min(1, (end - age) / (0.3 * end));
                for (int c = 0; c < 2; c++) {
                    double sum = 0;
                    double gain = 0.5;
                    for (int delay : delays[c]) {
                        int index = at - delay;
                        sum += gain * heard[index < 0 ? index + heard.length : index];
                        gain *= 0.75;
                    }
                    low[c] += 0.35 * (sum - low[c]);
                    block[c][i] += 0.6 * left * low[c];
                }
                at = at + 1 == heard.length ? 0 : at + 1;
            }
        }

        @Override
        public boolean isOver() {
            return age >= end;
        }
    }
}
