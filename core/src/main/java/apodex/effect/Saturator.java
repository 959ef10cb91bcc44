package apodex.effect;

import java.util.List;

/** Bends peaks over softly. */
final class Saturator extends Effect {
    static final Setting DRIVE = Setting.of("driveDb", "Drive", "dB", 0, 36, 6);
    static final Setting OUTPUT = Setting.of("outputDb", "Output", "dB", -24, 12, 0);
    static final Setting MIX = Setting.of("mixPercent", "Mix", "%", 0, 100, 100);

    Saturator() {
        super("saturator", "Saturator", "Bends peaks over softly.", Nature.SHAPER, DRIVE, OUTPUT, MIX);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new SoftClip(values.factor(DRIVE), values.factor(OUTPUT), values.share(MIX)));
    }
}
