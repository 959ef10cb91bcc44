package apodex.examine;

import java.util.Locale;
import java.util.Optional;

/** One side is the other turned upside down: together they are next to nothing. */
final class TurnedSide implements Watch {
    private static final double OPPOSITE = -0.8;

    private final boolean stereo;
    private double left;
    private double right;
    private double product;

    TurnedSide(int channels) {
        stereo = channels == 2;
    }

    @Override
    public void hear(double[][] block, int frames, long first, double peak) {
        if (!stereo) {
            return;
        }
        double l = 0;
        double r = 0;
        double p = 0;
        for (int i = 0; i < frames; i++) {
            double a = block[0][i];
            double b = block[1][i];
            l += a * a;
            r += b * b;
            p += a * b;
        }
        left += l;
        right += r;
        product += p;
    }

    @Override
    public Optional<Oddity> tell() {
        double alike = left > 0 && right > 0 ? product / Math.sqrt(left * right) : 1;
        return alike > OPPOSITE
                ? Optional.empty()
                : Optional.of(new Oddity(
                        Oddity.Kind.TURNED_SIDE,
                        String.format(
                                Locale.ROOT,
                                "One side is the other turned over (they go together by %.2f); in mono it is all but gone.",
                                alike),
                        0));
    }
}
