package apodex.demo;

/**
 * Anything that is blown, bowed or sung: two slightly detuned waves with an attack, a release and a vibrato that
 * sets in late.
 *
 * @param wave          the waveform
 * @param detune        cycles a second between the two
 * @param attackSeconds time to full loudness
 * @param vibrato       depth as a share of the frequency
 * @param breath        how much noise comes with it
 */
record SustainedTone(Wave wave, double detune, double attackSeconds, double vibrato, double breath) implements Player {
    private static final double VIBRATO_HERTZ = 5.2;
    private static final double RELEASE_SECONDS = 0.12;

    @Override
    public void play(double[] track, int start, int held, Note note) {
        int rate = Timing.RATE.hertz();
        double attack = attackSeconds * rate;
        double release = RELEASE_SECONDS * rate;
        int end = (int) Math.min(track.length, start + held + release);
        Noise noise = new Noise(note.pitch() + start * 7L);
        double one = 0;
        double two = 0.37;
        double air = 0;
        for (int i = start; i < end; i++) {
            int age = i - start;
            double onset = Math.min(1, age / attack);
            double late = Math.min(1, age / (0.5 * rate));
            double bend = 1 + vibrato * late * Wave.SINE.at(age * VIBRATO_HERTZ / rate);
            one += note.hertz() * bend / rate;
            two += (note.hertz() * bend + detune) / rate;
            air += (noise.next() - air) * 0.2;
            double fall = age < held ? 1 : Math.max(0, 1 - (age - held) / release);
            double tone = 0.5 * wave.at(one) + 0.5 * wave.at(two) + breath * air;
            track[i] += tone * onset * fall * note.loudness();
        }
    }
}
