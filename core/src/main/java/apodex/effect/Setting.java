package apodex.effect;

import java.util.List;

/**
 * Something that can be set on an effect.
 *
 * @param id       its name in documents
 * @param name     its name for people
 * @param unit     {@code Hz}, {@code dB}, {@code ms}, {@code %}, {@code s}, {@code quarters}, {@code :1}, or empty
 * @param lowest   least value
 * @param highest  greatest value
 * @param standard the value while nobody has set another
 * @param choices  names of the values 0, 1, 2... where it is a choice; otherwise empty
 */
public record Setting(
        String id, String name, String unit, double lowest, double highest, double standard, List<String> choices) {
    public Setting {
        choices = List.copyOf(choices);
    }

    static Setting of(String id, String name, String unit, double lowest, double highest, double standard) {
        return new Setting(id, name, unit, lowest, highest, standard, List.of());
    }

    /** A choice among names; the first is the standard. */
    static Setting choice(String id, String name, String... choices) {
        return new Setting(id, name, "", 0, choices.length - 1.0, 0, List.of(choices));
    }

    /** Whether {@code value} can be set. */
    public boolean allows(double value) {
        return value >= lowest && value <= highest && (choices.isEmpty() || value == Math.rint(value));
    }
}
