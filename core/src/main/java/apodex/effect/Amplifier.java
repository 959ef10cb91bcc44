package apodex.effect;

import java.util.List;

/** A small amplifier and its cabinet: a tone stage, a valve-like bend, and a loudspeaker's band. */
final class Amplifier extends Effect {
    static final Setting DRIVE = Setting.of("driveDb", "Drive", "dB", 0, 48, 18);
    static final Setting TONE = Setting.of("toneDb", "Tone", "dB", -12, 12, 0);
    static final Setting CABINET = Setting.choice("cabinet", "Cabinet", "Small", "Large", "None");
    static final Setting OUTPUT = Setting.of("outputDb", "Output", "dB", -36, 12, -6);

    Amplifier() {
        super(
                "amplifier",
                "Amplifier and cabinet",
                "A small guitar amplifier with its loudspeaker.",
                Nature.CHAIN,
                DRIVE,
                TONE,
                CABINET,
                OUTPUT);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return Biquad.ringFrames(before(values, place)) + Biquad.ringFrames(after(values, place));
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(
                new Biquads(place.width(), List.of(before(values, place))),
                new SoftClip(values.factor(DRIVE), values.factor(OUTPUT), 1),
                new Biquads(place.width(), List.of(after(values, place))));
    }

    private static Biquad[] before(Values values, Conditions place) {
        int rate = place.rate().hertz();
        return new Biquad[] {Biquad.lowCut(70, 0.7, rate), Biquad.highShelf(1_800, values.of(TONE), rate)};
    }

    private static Biquad[] after(Values values, Conditions place) {
        int rate = place.rate().hertz();
        return switch (values.choice(CABINET)) {
            case 0 ->
                new Biquad[] {
                    Biquad.lowCut(110, 0.9, rate),
                    Biquad.bell(2_600, 5, 1.2, rate),
                    Biquad.highCut(4_800, 0.54, rate),
                    Biquad.highCut(4_800, 1.31, rate)
                };
            case 1 ->
                new Biquad[] {
                    Biquad.lowCut(65, 1.1, rate),
                    Biquad.bell(1_900, 3, 0.9, rate),
                    Biquad.highCut(4_200, 0.54, rate),
                    Biquad.highCut(4_200, 1.31, rate)
                };
            default -> new Biquad[] {Biquad.lowCut(10, 0.7, rate)};
        };
    }
}
