package apodex.effect;

import java.util.List;

/** Raises or lowers everything below or above a frequency. */
final class Shelf extends Effect {
    static final Setting SIDE = Setting.choice("side", "Side", "Below", "Above");
    static final Setting HERTZ = Setting.of("hertz", "Frequency", "Hz", 20, 20_000, 200);
    static final Setting GAIN = Setting.of("gainDb", "Gain", "dB", -24, 24, 0);

    Shelf() {
        super(
                "shelf",
                "Shelf",
                "Raises or lowers everything below or above a frequency.",
                Nature.LINEAR,
                SIDE,
                HERTZ,
                GAIN);
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
        int rate = place.rate().hertz();
        return values.choice(SIDE) == 0
                ? Biquad.lowShelf(values.of(HERTZ), values.of(GAIN), rate)
                : Biquad.highShelf(values.of(HERTZ), values.of(GAIN), rate);
    }
}
