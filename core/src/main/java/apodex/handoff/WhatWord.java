package apodex.handoff;

import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Station;
import java.util.List;
import java.util.Set;

/** The word in a file's name that says what it is, where the row's name alone would not. */
final class WhatWord {
    private WhatWord() {}

    /**
     * @param planned every station the row is printed at
     * @param offered every station it could be printed at
     */
    static String of(Row row, Station station, Set<Station> planned, List<Station> offered) {
        boolean alone = planned.size() == 1;
        boolean amplified = Stations.active(row.strip().inserts()).stream()
                .anyMatch(insert -> insert.effect().equals("amplifier"));
        boolean keptAmplifier = Stations.active(row.strip().inserts()).stream()
                .anyMatch(insert -> insert.kept() && insert.effect().equals("amplifier"));
        boolean sum = row.kind().isSum();
        return switch (station) {
            case RAW -> alone ? sum && offered.size() > 1 ? "Plain" : "" : amplified ? "DI" : sum ? "Plain" : "Dry";
            case SHAPED -> keptAmplifier ? "Amp" : "Shaped";
            case INSERTS ->
                row.kind() == RowKind.RETURN && alone ? "" : sum || row.kind() == RowKind.RETURN ? "Inserts" : "Wet";
            case FADER -> row.kind() == RowKind.BUS && alone || row.kind() == RowKind.MIX ? "" : "Fader";
            case BUS -> "Bus";
            case MIX -> "Mix";
        };
    }
}
