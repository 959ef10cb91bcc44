package apodex.effect;

import java.util.List;

/** Takes away what lies above a frequency; Butterworth of second or fourth order. */
final class HighCut extends Effect {
    static final Setting HERTZ = Setting.of("hertz", "Frequency", "Hz", 200, 20_000, 12_000);
    static final Setting SLOPE = Setting.choice("slope", "Slope", "12 dB per octave", "24 dB per octave");

    HighCut() {
        super("highCut", "High cut", "Takes away hiss above a frequency.", Nature.LINEAR, HERTZ, SLOPE);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return Biquad.ringFrames(sections(values, place));
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Biquads(place.width(), List.of(sections(values, place))));
    }

    private static Biquad[] sections(Values values, Conditions place) {
        double hertz = values.of(HERTZ);
        return Butterworth.sections(
                values.choice(SLOPE) == 0 ? 2 : 4,
                q -> Biquad.highCut(hertz, q, place.rate().hertz()));
    }
}
