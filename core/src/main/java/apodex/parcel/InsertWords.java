package apodex.parcel;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Setting;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.Session;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** Says how an insert is set: everything, also what nobody touched, so that it can be set up elsewhere. */
final class InsertWords {
    private InsertWords() {}

    /** What it is called. */
    static String name(Insert insert) {
        return Effects.find(insert.effect()).map(Effect::name).orElse(insert.effect());
    }

    /** As it stands in a sentence; what cannot be made here says how it was set, as far as somebody wrote it down. */
    static String inSentence(Insert insert) {
        return Effects.find(insert.effect()).isPresent()
                ? name(insert)
                : insert.effect() + (insert.said().isEmpty() ? "" : " (" + insert.said() + ")")
                        + ", which cannot be made here";
    }

    /** All its settings, and what it listens to. */
    static String settings(Session session, Insert insert) {
        String set = Effects.find(insert.effect())
                .map(effect -> effect.settings().stream()
                        .map(setting ->
                                setting.name().replaceAll(" \\(.*\\)", "").toLowerCase(Locale.ROOT) + " "
                                        + value(setting, valueOf(setting, insert.settings())))
                        .collect(Collectors.joining(", ")))
                .orElse(insert.said().isEmpty() ? "not known here" : insert.said());
        String key = insert.key() == null
                ? ""
                : session.row(insert.key())
                        .map(Row::name)
                        .map(name -> "listens to " + name)
                        .orElse("");
        return List.of(set, key).stream().filter(each -> !each.isEmpty()).collect(Collectors.joining("; "));
    }

    static double valueOf(Setting setting, Map<String, Double> set) {
        return set.getOrDefault(setting.id(), setting.standard());
    }

    /** A value with its unit, or the choice's name. */
    static String value(Setting setting, double value) {
        if (!setting.choices().isEmpty()) {
            return setting.choices().get((int) value);
        }
        if (setting.unit().startsWith(":")) {
            return Figures.number(value) + setting.unit();
        }
        String written = Figures.number(value);
        String unit = value == 1 && setting.unit().equals("quarters") ? "quarter" : setting.unit();
        return (written + " " + unit).strip().replace("-", "−");
    }
}
