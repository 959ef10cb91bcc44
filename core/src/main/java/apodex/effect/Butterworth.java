package apodex.effect;

import java.util.function.DoubleFunction;

/** Maximally flat filters of even order as second-order sections (S. Butterworth, Wireless Engineer 7, 1930). */
final class Butterworth {
    private Butterworth() {}

    /** One section per pair of poles, with quality {@code 1 / (2 cos(angle of the pair))}. */
    static Biquad[] sections(int order, DoubleFunction<Biquad> ofQuality) {
        Biquad[] sections = new Biquad[order / 2];
        for (int i = 0; i < sections.length; i++) {
            sections[i] = ofQuality.apply(1 / (2 * StrictMath.cos(Math.PI * (2 * i + 1) / (2 * order))));
        }
        return sections;
    }
}
