package apodex.effect;

import java.util.List;
import java.util.Map;

/**
 * A house effect: what it is and can be set to. Has no running state; {@link #make} gives units that have.
 */
public abstract class Effect {
    private final String id;
    private final String name;
    private final String words;
    private final Nature nature;
    private final List<Setting> settings;

    Effect(String id, String name, String words, Nature nature, Setting... settings) {
        this.id = id;
        this.name = name;
        this.words = words;
        this.nature = nature;
        this.settings = List.of(settings);
    }

    /** Its name in documents. */
    public final String id() {
        return id;
    }

    /** Its name for people. */
    public final String name() {
        return name;
    }

    /** What it does, in one line. */
    public final String words() {
        return words;
    }

    /** What it does to a sum: whether the effect of a sum is the sum of the effects. */
    public final Nature nature() {
        return nature;
    }

    /** What can be set, each with its unit and range, in the order in which it is shown. */
    public final List<Setting> settings() {
        return settings;
    }

    /** Whether it can listen to another row than the one it works on. */
    public boolean takesKey() {
        return false;
    }

    /** Channels that come out when {@code in} go in; never fewer. */
    public int width(int in) {
        return in;
    }

    /** Whether each side that comes out is made of that side alone. */
    public boolean keepsSidesApart() {
        return width(1) == 1;
    }

    /** Frames of silence there can be between two sounds of its tail; 0 for a tail without gaps. */
    public long gapFrames(Values values, Conditions place) {
        return 0;
    }

    /** Frames by which its output is later than its input. */
    public int latencyFrames(Values values, Conditions place) {
        return 0;
    }

    /** Frames after the last sound has gone in until what comes out has fallen by 90 dB; 0 for none. */
    public abstract long tailFrames(Values values, Conditions place);

    /** Units for one walk, in the order the signal takes them. Values must be in range. */
    public abstract List<Unit> make(Values values, Conditions place);

    /**
     * Checks values.
     *
     * @throws IllegalArgumentException when one does not exist or is out of range; the message is for people
     */
    public final void check(Map<String, Double> values) {
        values.forEach((key, value) -> {
            Setting setting = settings.stream()
                    .filter(each -> each.id().equals(key))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(name + " has no setting “" + key + "”."));
            if (value == null || !setting.allows(value)) {
                String range = setting.choices().isEmpty()
                        ? " from " + plain(setting.lowest()) + " to " + plain(setting.highest()) + " " + setting.unit()
                        : " one of 0 to " + (setting.choices().size() - 1);
                throw new IllegalArgumentException(setting.name() + " of " + name + " must be" + range.stripTrailing()
                        + ", not " + (value == null ? "empty" : plain(value)) + ".");
            }
        });
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? Long.toString((long) value)
                : Double.toString(value);
    }
}
