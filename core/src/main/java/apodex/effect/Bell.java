package apodex.effect;

import java.util.List;

/** Raises or lowers the surroundings of a frequency. */
final class Bell extends Effect {
    static final Setting HERTZ = Setting.of("hertz", "Frequency", "Hz", 20, 20_000, 1_000);
    static final Setting GAIN = Setting.of("gainDb", "Gain", "dB", -24, 24, 0);
    static final Setting Q = Setting.of("q", "Narrowness", "Q", 0.1, 20, 1);

    Bell() {
        super("bell", "Bell", "Raises or lowers the surroundings of a frequency.", Nature.LINEAR, HERTZ, GAIN, Q);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return Biquad.ringFrames(section(values, place));
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new Biquads(place.width(), List.of(section(values, place))));
    }

    private static Biquad section(Values values, Conditions place) {
        return Biquad.bell(
                values.of(HERTZ), values.of(GAIN), values.of(Q), place.rate().hertz());
    }
}
