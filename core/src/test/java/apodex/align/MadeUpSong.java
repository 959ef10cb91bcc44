package apodex.align;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Setting;
import apodex.effect.TestBench;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/** Tracks that move like music, and a mix of them with effects on some: made up from a seed, mono at 48 kHz. */
public final class MadeUpSong {
    public static final int HERTZ = 48_000;
    private static final List<String> COLOURS =
            List.of("lowCut", "bell", "shelf", "compressor", "saturator", "hallReverb", "delay");

    private final SplittableRandom random;
    public final int frames;
    public final List<double[]> tracks = new ArrayList<>();
    /** What each of them went through on its way into the mix. */
    final List<String> colours = new ArrayList<>();

    public final double[] mix;

    public MadeUpSong(SplittableRandom random) {
        this.random = random;
        this.frames = HERTZ * random.nextInt(25, 50);
        this.mix = new double[frames];
        int count = random.nextInt(4, 8);
        for (int i = 0; i < count; i++) {
            add(track(i % 4));
        }
    }

    /** One more track of the kind, which is not in the mix. */
    double[] stranger(int kind) {
        return track(kind);
    }

    private void add(double[] track) {
        double[] heard = track;
        String colour = random.nextInt(3) == 0 ? "" : COLOURS.get(random.nextInt(COLOURS.size()));
        if (!colour.isEmpty()) {
            heard = TestBench.run(colour, settings(colour), track)[0];
        }
        double gain = Math.pow(10, random.nextDouble(-14, 0) / 20);
        for (int i = 0; i < frames; i++) {
            mix[i] += gain * heard[i] + (random.nextDouble() - 0.5) * 1e-5;
        }
        tracks.add(track);
        colours.add(colour);
    }

    private Map<String, Double> settings(String id) {
        Effect effect = Effects.find(id).orElseThrow();
        Map<String, Double> settings = new HashMap<>();
        for (Setting setting : effect.settings()) {
            if (random.nextInt(3) == 0 && setting.choices().isEmpty()) {
                double low = setting.lowest();
                double high = Math.min(setting.highest(), 10_000);
                // around what it usually is: a mixer seldom turns a knob to its end
                settings.put(
                        setting.id(),
                        Math.max(
                                low,
                                Math.min(high, setting.standard() + (random.nextDouble() - 0.5) * 0.3 * (high - low))));
            }
        }
        return settings;
    }

    private double[] track(int kind) {
        double[] out = new double[frames];
        double beat = 60.0 / random.nextInt(70, 150);
        boolean everyBarAlike = kind == 0 && random.nextInt(4) == 0;
        for (double at = random.nextDouble(); at < (double) frames / HERTZ - 1; ) {
            double length =
                    switch (kind) {
                        case 0 -> 0.15;
                        case 1 -> beat * 0.9;
                        case 2 -> beat * 4;
                        default -> beat * random.nextDouble(0.3, 2);
                    };
            double strength = everyBarAlike ? 0.5 : random.nextDouble(0.2, 0.7);
            note(out, (int) (at * HERTZ), (int) (length * HERTZ), kind, strength);
            at += kind == 0
                    ? beat / 2 + (everyBarAlike ? 0 : random.nextDouble(-0.008, 0.008))
                    : length + (random.nextInt(4) == 0 ? beat : 0.01);
        }
        return out;
    }

    private void note(double[] out, int from, int length, int kind, double strength) {
        double hertz = (kind == 1 ? 41 : 130) * Math.pow(2, random.nextInt(0, 24) / 12.0);
        double phase = 0;
        double noise = 0;
        double bright = 0;
        for (int i = 0; i < length && from + i < out.length; i++) {
            double t = (double) i / HERTZ;
            double fade = Math.min(1, i / 96.0) * Math.min(1, (length - i) / 480.0);
            double value;
            if (kind == 0) {
                noise = 0.4 * noise + (random.nextDouble() - 0.5);
                value = noise * Math.exp(-t * 30) + Math.sin(2 * Math.PI * 60 * t) * Math.exp(-t * 12) * 0.5;
            } else {
                double wobble = kind == 3 ? 1 + 0.006 * Math.sin(2 * Math.PI * 5.5 * t) : 1;
                phase += hertz * wobble / HERTZ;
                value = 0;
                for (int octave = 1; octave <= 4; octave *= 2) { // bright, but without much above what was sampled
                    double tooth = 2 * (octave * phase - Math.floor(octave * phase + 0.5));
                    value += (kind == 1 ? tooth * Math.abs(tooth) * 0.4 : tooth) / octave;
                }
                bright += (kind == 1 ? 0.08 : 0.35) * (value - bright);
                value = bright;
                value = 0.3 * value * (kind == 1 ? Math.exp(-t * 2) : 1)
                        + (kind == 3 ? 0.02 * (random.nextDouble() - 0.5) : 0);
            }
            out[from + i] += strength * fade * value;
        }
    }
}
