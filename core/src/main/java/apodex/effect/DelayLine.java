package apodex.effect;

/** A delay line: the last samples of a signal, and whether any of them is not zero. */
final class DelayLine {
    private final double[] samples;
    private int at;
    private int quietFor;

    /** @param longest greatest delay that will be asked for, in frames */
    DelayLine(int longest) {
        samples = new double[Math.max(2, longest + 3)];
        quietFor = samples.length;
    }

    /** Appends a sample; one too small to be heard counts as zero, which keeps loops off denormals. */
    void write(double sample) {
        boolean nothing = Math.abs(sample) < Unit.NOTHING;
        samples[at] = nothing ? 0 : sample;
        quietFor = nothing ? quietFor + 1 : 0;
        at = at + 1 == samples.length ? 0 : at + 1;
    }

    /** The sample written {@code frames} before the last one. */
    double read(int frames) {
        int index = at - 1 - frames;
        return samples[index < 0 ? index + samples.length : index];
    }

    /** Between two samples, on a straight line. */
    double read(double frames) {
        int whole = (int) frames;
        double part = frames - whole;
        double nearer = read(whole);
        return nearer + part * (read(whole + 1) - nearer);
    }

    boolean isEmpty() {
        if (quietFor > samples.length) {
            quietFor = samples.length; // counts no further, so that it never overflows
        }
        return quietFor >= samples.length;
    }
}
