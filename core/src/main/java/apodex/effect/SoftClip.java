package apodex.effect;

/**
 * The curve {@code s (27 + s^2) / (27 + 9 s^2)}, a fraction close to tanh that reaches 1 at s = 3 with slope 0 and stays
 * there; s is the driven sample.
 */
final class SoftClip extends ShaperUnit {
    private final double drive;
    private final double wet;
    private final double dry;

    SoftClip(double drive, double output, double mix) {
        this.drive = drive;
        this.wet = output * mix;
        this.dry = 1 - mix;
    }

    @Override
    public void shape(double[] in, double[] out, int from, int to) {
        double gain = drive;
        double bent = wet;
        double straight = dry;
        for (int i = from; i < to; i++) {
            double x = in[i];
            double s = Math.max(-3, Math.min(3, gain * x));
            double s2 = s * s;
            out[i] = straight * x + bent * s * (27 + s2) / (27 + 9 * s2);
        }
    }

    @Override
    public double slopeAtZero() {
        return dry + wet * drive;
    }
}
