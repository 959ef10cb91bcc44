package apodex.handoff;

import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Station;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** The word in a file's name that says what it is, where the row's name alone would not. */
final class WhatWord {
    /** What a row's name must not end in when its file is something else. */
    private static final Map<String, Pattern> OPPOSITES = Map.of(
            "DI", ending("amp|wet"),
            "Dry", ending("wet"),
            "Amp", ending("di|dry|clean"),
            "Shaped", ending("di|dry"),
            "Wet", ending("di|dry"));

    private WhatWord() {}

    private static Pattern ending(String words) {
        return Pattern.compile("[\\s_.-]+(?:" + words + ")$", Pattern.CASE_INSENSITIVE);
    }

    /**
     * @param planned every station the row is printed at
     * @param offered every station it could be printed at
     * @param words   what the brief calls stations, where it does
     */
    static String of(
            Row row, Station station, Set<Station> planned, List<Station> offered, Map<Station, String> words) {
        String usual = usual(row, station, planned, offered);
        return usual.isEmpty() || !words.containsKey(station)
                ? usual
                : words.get(station).strip();
    }

    private static String usual(Row row, Station station, Set<Station> planned, List<Station> offered) {
        boolean alone = planned.size() == 1;
        boolean amplified = Stations.active(row.strip().inserts()).stream()
                .anyMatch(insert -> insert.effect().equals("amplifier"));
        boolean keptAmplifier = Stations.active(row.strip().inserts()).stream()
                .anyMatch(insert -> insert.kept() && insert.effect().equals("amplifier"));
        boolean sum = row.kind().isSum();
        boolean onlySum = alone && !row.kind().isSource();
        return switch (station) {
            case RAW -> alone ? sum && offered.size() > 1 ? "Plain" : "" : amplified ? "DI" : sum ? "Plain" : "Dry";
            case SHAPED -> keptAmplifier ? "Amp" : "Shaped";
            case INSERTS -> onlySum ? "" : row.kind().isSource() ? "Wet" : "Effects";
            case FADER -> onlySum || row.kind() == RowKind.MIX ? "" : "Level";
            case BUS -> onlySum ? "" : "via Bus";
            case MIX -> onlySum ? "" : "via Mix";
        };
    }

    /** The row's name without a word at its end that says it is something else: {@code Bass DI} through its amplifier is no DI. */
    static String fitting(String row, String word) {
        Pattern opposite = OPPOSITES.get(word);
        return opposite == null ? row : opposite.matcher(row).replaceFirst("");
    }

    /** The word, unless the row's name says it already. */
    static String unsaid(String row, String word) {
        boolean said = Pattern.compile("(?:^|[\\s_.-])" + Pattern.quote(word) + "$", Pattern.CASE_INSENSITIVE)
                .matcher(row)
                .find();
        return said ? "" : word;
    }
}
