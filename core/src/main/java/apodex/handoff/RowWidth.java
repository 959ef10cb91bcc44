package apodex.handoff;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.instrument.Instrument.Part;
import apodex.instrument.Instruments;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.PartRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Station;
import java.util.List;
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
        int width = source(row);
        if (station == Station.RAW) {
            return width;
        }
        if (row instanceof AudioRow audio) {
            for (Clip clip : audio.clips()) {
                width = Math.max(width, through(clip.inserts(), width, Station.INSERTS));
            }
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
    boolean keepsSidesApart(AudioRow row, Station station) {
        return Stream.concat(
                        row.clips().stream().flatMap(clip -> clip.inserts().stream()),
                        row.strip().inserts().stream().filter(insert -> station == Station.INSERTS || insert.kept()))
                .filter(insert -> !Stations.active(List.of(insert)).isEmpty())
                .map(insert -> Effects.find(insert.effect()).orElseThrow())
                .allMatch(Effect::keepsSidesApart);
    }

    private int source(Row row) {
        if (row instanceof AudioRow audio) {
            return audio.clips().stream().mapToInt(Clip::channels).max().orElse(1);
        }
        if (row instanceof InstrumentRow instrument) {
            List<String> apart = session.partsOnTheirOwn(row.id());
            return Instruments.find(instrument.instrument())
                    .map(each -> each.parts().stream()
                            .filter(part -> !apart.contains(part.id()))
                            .mapToInt(Part::channels)
                            .max()
                            .orElse(1))
                    .orElse(1);
        }
        if (row instanceof PartRow part) {
            return session.row(part.instrument())
                    .map(InstrumentRow.class::cast)
                    .flatMap(each -> Instruments.find(each.instrument()))
                    .map(each -> each.parts().stream()
                            .filter(one -> one.id().equals(part.part()))
                            .mapToInt(Part::channels)
                            .max()
                            .orElse(1))
                    .orElse(1);
        }
        return 2;
    }
}
