package apodex.handoff;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Playing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** How many channels a row has where it is taken, as far as its routing and effects tell. */
public final class RowWidth {
    private final Session session;

    public RowWidth(Session session) {
        this.session = session;
    }

    /** Channels of the stream at Raw, Shaped or Inserts; beyond, streams always have two. */
    public int at(Row row, Station station) {
        if (station.compareTo(Station.INSERTS) > 0) {
            return 2;
        }
        Optional<List<Clip>> placed = row.placedAt(station);
        if (placed.isPresent()) {
            return widest(placed.get());
        }
        Optional<List<Clip>> shaped = row.strip().broughtAt(Station.SHAPED);
        if (shaped.isPresent() && station == Station.INSERTS) {
            return through(row.strip().insertsAt(station), widest(shaped.get()), station);
        }
        int width = row.strip().broughtAt(Station.RAW).map(RowWidth::widest).orElseGet(() -> source(row));
        if (station == Station.RAW) {
            return width;
        }
        for (Clip clip : row.clips()) {
            width = Math.max(width, through(clip.inserts(), width, Station.INSERTS));
        }
        return through(row.strip().inserts(), width, station);
    }

    private static int through(List<Insert> inserts, int width, Station station) {
        int now = width;
        for (Insert insert : Stations.active(inserts)) {
            if (station == Station.INSERTS || insert.kept()) {
                now = Effects.find(insert.effect()).orElseThrow().width(now);
            }
        }
        return now;
    }

    /** Whether what is on one side of a row at Raw is on that side alone at a station up to Inserts. */
    boolean keepsSidesApart(Row row, Station station) {
        boolean renderedElsewhere = row.strip().broughtAt(Station.SHAPED).isPresent()
                || row.strip().broughtAt(Station.INSERTS).isPresent();
        return !renderedElsewhere
                && Stream.concat(
                                row.clips().stream().flatMap(clip -> clip.inserts().stream()),
                                row.strip().inserts().stream()
                                        .filter(insert -> station == Station.INSERTS || insert.kept()))
                        .filter(insert -> !Stations.active(List.of(insert)).isEmpty())
                        .map(insert -> Effects.find(insert.effect()).orElseThrow())
                        .allMatch(Effect::keepsSidesApart);
    }

    private static int widest(List<Clip> clips) {
        return clips.stream().mapToInt(Clip::channels).max().orElse(1);
    }

    private int source(Row row) {
        return switch (row.kind()) {
            case AUDIO -> widest(row.clips());
            case INSTRUMENT, PART -> row.playing(session).map(Playing::channels).orElse(1);
            case BUS, RETURN, MIX -> 2;
        };
    }
}
