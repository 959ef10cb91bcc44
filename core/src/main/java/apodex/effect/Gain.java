package apodex.effect;

import java.util.List;

/** Louder or quieter. */
final class Gain extends Effect {
    static final Setting GAIN = Setting.of("gainDb", "Gain", "dB", -60, 24, 0);

    Gain() {
        super("gain", "Gain", "Louder or quieter.", Nature.LINEAR, GAIN);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        double factor = values.factor(GAIN);
        return List.of(new SideGains(factor, factor));
    }
}
