package apodex.demo;

/**
 * A plucked string after Karplus and Strong (Computer Music Journal 7/2, 1983): a burst of noise runs round a delay
 * line as long as one period and loses its highs on the way.
 *
 * @param brightness 0 to 1: how much of the highs stays each time round
 * @param ring       0 to 1: how much of everything stays
 */
record PluckedString(double brightness, double ring) implements Player {
    @Override
    public void play(double[] track, int start, int held, Note note) {
        double period = Timing.RATE.hertz() / note.hertz();
        int length = (int) period;
        double fraction = period - length;
        double[] line = new double[length + 1];
        Noise noise = new Noise(note.pitch() * 31L + start);
        double soft = 0;
        for (int i = 0; i <= length; i++) {
            soft += (noise.next() - soft) * (0.3 + 0.5 * note.loudness());
            line[i] = soft * note.loudness();
        }
        int at = 0;
        double last = 0;
        int end = Math.min(track.length, start + held * 2);
        double damping = ring;
        for (int i = start; i < end; i++) {
            int next = at == length ? 0 : at + 1;
            double tuned = line[at] + fraction * (line[next] - line[at]);
            track[i] += line[at];
            double kept = brightness * tuned + (1 - brightness) * last;
            last = tuned;
            damping = i - start > held ? ring * 0.996 : ring;
            line[at] = kept * damping;
            at = next;
        }
    }
}
