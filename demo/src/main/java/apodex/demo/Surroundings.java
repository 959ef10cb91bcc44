package apodex.demo;

import apodex.time.SampleRate;

/** Sounds nobody plays: the room, the sea, a microphone left open. */
final class Surroundings {
    private static final int[] COMBS = {1687, 1601, 2053, 2251};

    private Surroundings() {}

    /** What the players heard in their headphones: a short tick on every beat, higher on the one. */
    static double[] click(SampleRate rate) {
        double[] out = new double[(int) ((long) Timing.SONG_FRAMES * rate.hertz() / Timing.RATE.hertz())];
        for (int beat = 0; beat < Score.BARS * Timing.METER.beats(); beat++) {
            double hertz = beat % Timing.METER.beats() == 0 ? 1_760 : 1_320;
            int start = (int) ((long) Timing.frame(beat) * rate.hertz() / Timing.RATE.hertz());
            for (int i = 0; i < rate.hertz() / 33 && start + i < out.length; i++) {
                out[start + i] = 0.25
                        * StrictMath.sin(2 * Math.PI * hertz * i / rate.hertz())
                        * StrictMath.exp(-200.0 * i / rate.hertz());
            }
        }
        return out;
    }

    /** Four feedback combs (after Schroeder, JAES 10/3, 1962). @param offset makes the other side's echoes different */
    static double[] room(double[] dry, int offset) {
        double[] out = new double[dry.length];
        for (int comb : COMBS) {
            double[] line = new double[comb + offset];
            int at = 0;
            double dark = 0;
            for (int i = 0; i < dry.length; i++) {
                double echo = line[at];
                dark += (echo - dark) * 0.55;
                line[at] = dry[i] + 0.72 * dark + 1e-18;
                at = at + 1 == line.length ? 0 : at + 1;
                out[i] += echo;
            }
        }
        return out;
    }

    /** Noise in slow swells. @param seed another one for each side */
    static double[] sea(long seed) {
        double[] out = new double[Timing.SONG_FRAMES];
        Noise noise = new Noise(seed);
        double low = 0;
        double lower = 0;
        for (int i = 0; i < out.length; i++) {
            double seconds = (double) i / Timing.RATE.hertz();
            double swell = 0.55 + 0.45 * Wave.SINE.at(seconds / 9.7) * Wave.SINE.at(seconds / 23 + 0.2);
            low += (noise.next() - low) * (0.02 + 0.1 * swell);
            lower += (low - lower) * 0.3;
            out[i] = lower * swell;
        }
        return out;
    }

    static double[] hiss(long seed) {
        double[] out = new double[Timing.SONG_FRAMES];
        Noise noise = new Noise(seed);
        for (int i = 0; i < out.length; i++) {
            out[i] = noise.next();
        }
        return out;
    }
}
