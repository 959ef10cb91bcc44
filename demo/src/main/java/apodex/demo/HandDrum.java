package apodex.demo;

/**
 * A skin struck by hand: a tone that falls in pitch and a slap of noise.
 *
 * @param decaySeconds how long the skin rings
 * @param slap         how much noise there is
 */
record HandDrum(double decaySeconds, double slap) implements Player {
    @Override
    public void play(double[] track, int start, int held, Note note) {
        int rate = Timing.RATE.hertz();
        Noise noise = new Noise(start + 1L);
        double decay = StrictMath.exp(-1 / (decaySeconds * rate));
        double slapDecay = StrictMath.exp(-1 / (0.015 * rate));
        double bendDecay = StrictMath.exp(-1 / (0.03 * rate));
        double level = note.loudness();
        double slapLevel = note.loudness() * slap;
        double bend = 0.6;
        double phase = 0;
        int end = (int) Math.min(track.length, start + decaySeconds * rate * 9);
        for (int i = start; i < end; i++) {
            phase += note.hertz() * (1 + bend) / rate;
            track[i] += level * Wave.SINE.at(phase) + slapLevel * noise.next();
            level *= decay;
            slapLevel *= slapDecay;
            bend *= bendDecay;
        }
    }
}
