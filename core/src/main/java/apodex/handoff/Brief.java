package apodex.handoff;

import apodex.session.RowKind;
import apodex.session.Station;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What a receiver asks for, whatever the session.
 *
 * @param name     what it is called
 * @param rows     which rows
 * @param stations where they are taken, by kind of row. A station that a row does not offer stands for the last one before
 *                 it that it does: there it sounds the same
 * @param settings what holds for all files
 */
public record Brief(String name, Rows rows, Map<RowKind, List<Station>> stations, Settings settings) {
    private static final List<Station> EVERYWHERE = List.of(Station.values());
    private static final List<RowKind> SOURCES = List.of(RowKind.AUDIO, RowKind.INSTRUMENT, RowKind.PART);

    /** Dry tracks, the sound that is part of the playing as a twin, the mix for reference. */
    public static final Brief FOR_MIXING = new Brief(
            "For mixing",
            Rows.ALL,
            stations(List.of(Station.RAW, Station.SHAPED), List.of(), List.of(), List.of(Station.FADER)),
            Settings.OPEN);
    /** What goes into the mix, as it is heard there, with a counted lead-in and a click to play to. */
    public static final Brief FOR_OVERDUBS = new Brief(
            "For overdubs",
            Rows.TOP,
            stations(List.of(Station.BUS), List.of(Station.BUS), List.of(), List.of(Station.FADER)),
            Settings.OPEN
                    .withSharing(Returns.SHARED_OUT, Dynamics.IN_PLACE)
                    .withLeadIn(2, true)
                    .withClick(Click.FIRST));
    /** Each group through the mix: laid together they are the mix. */
    public static final Brief GROUPS = new Brief(
            "Groups",
            Rows.TOP,
            stations(List.of(Station.MIX), List.of(Station.MIX), List.of(), List.of(Station.FADER)),
            Settings.OPEN.withSharing(Returns.SHARED_OUT, Dynamics.IN_PLACE));
    /** Everything that can be told apart, and the session itself. */
    public static final Brief ARCHIVE = new Brief(
            "Archive",
            Rows.ALL,
            stations(EVERYWHERE, EVERYWHERE, EVERYWHERE, EVERYWHERE),
            Settings.OPEN.withExtras(true, true, false, true));
    /** Only what is chosen by hand. */
    public static final Brief BY_HAND = new Brief("By hand", Rows.ALL, Map.of(), Settings.OPEN);
    /** Those that come with Apodex, the usual one first. */
    public static final List<Brief> BUILT_IN = List.of(FOR_MIXING, FOR_OVERDUBS, GROUPS, ARCHIVE);

    /** Which rows a brief is about. */
    public enum Rows {
        @JsonProperty("all")
        ALL,
        /** Only what feeds the mix itself: the outermost groups, and rows that are in none. */
        @JsonProperty("top")
        TOP,
        /** Every group that holds rows: a group of groups gives those, and its other rows by themselves. */
        @JsonProperty("innermost")
        INNERMOST
    }

    public Brief {
        if (name == null || name.isBlank()) {
            throw new IllegalArgumentException("A brief needs a name.");
        }
        rows = rows == null ? Rows.ALL : rows;
        Map<RowKind, List<Station>> ordered = new EnumMap<>(RowKind.class);
        if (stations != null) {
            stations.forEach((kind, wanted) ->
                    ordered.put(kind, wanted.stream().distinct().sorted().toList()));
        }
        stations = Map.copyOf(ordered);
        settings = settings == null ? Settings.OPEN : settings;
    }

    private static Map<RowKind, List<Station>> stations(
            List<Station> sources, List<Station> buses, List<Station> returns, List<Station> mix) {
        Map<RowKind, List<Station>> all = new EnumMap<>(RowKind.class);
        SOURCES.forEach(kind -> all.put(kind, sources));
        all.put(RowKind.BUS, buses);
        all.put(RowKind.RETURN, returns);
        all.put(RowKind.MIX, mix);
        return all;
    }

    /** Where rows of this kind are taken, in the order of the signal. */
    @JsonIgnore
    List<Station> at(RowKind kind) {
        return stations.getOrDefault(kind, List.of());
    }

    /** The same under another name. */
    public Brief named(String other) {
        return new Brief(other, rows, stations, settings);
    }

    /** The same files with other settings. */
    public Brief with(Settings other) {
        return new Brief(name, rows, stations, other);
    }
}
