package apodex.effect;

import java.util.List;

/** Turns the signal upside down. */
final class Polarity extends Effect {
    static final Setting SIDES = Setting.choice("sides", "Sides", "Both", "Left", "Right");

    Polarity() {
        super("polarity", "Polarity", "Turns the signal, or one side of it, upside down.", Nature.LINEAR, SIDES);
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        int sides = values.choice(SIDES);
        return List.of(new SideGains(sides == 2 ? 1 : -1, sides == 1 ? 1 : -1));
    }
}
