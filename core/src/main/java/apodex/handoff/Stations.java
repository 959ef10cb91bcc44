package apodex.handoff;

import apodex.effect.Effects;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Returns;
import apodex.signal.Ways;
import java.util.ArrayList;
import java.util.List;

/** Which stations of a row are worth a file: one that cannot differ from the one before it is left out. */
public final class Stations {
    private final Outgoing outgoing;

    Stations(Outgoing outgoing) {
        this.outgoing = outgoing;
    }

    List<Station> of(Row row) {
        if (!outgoing.isFilled(row)) {
            return List.of();
        }
        return row.kind() == RowKind.MIX ? ofMix(row) : ofOther(row);
    }

    private List<Station> ofOther(Row row) {
        List<Station> stations = new ArrayList<>();
        Strip strip = row.strip();
        if (row.kind() == RowKind.RETURN) {
            stations.add(Station.INSERTS);
        } else {
            if (outgoing.isMadeAtRaw(row)) {
                stations.add(Station.RAW);
            }
            if (isBrought(row, Station.SHAPED)
                    || hasClipInserts(row)
                    || active(strip.inserts()).stream().anyMatch(Insert::kept)) {
                stations.add(Station.SHAPED);
            }
            if (isBrought(row, Station.INSERTS)
                    || active(strip.insertsAt(Station.INSERTS)).stream().anyMatch(insert -> !insert.kept())) {
                stations.add(Station.INSERTS);
            }
        }
        if (isBrought(row, Station.FADER) || !strip.isAtRest() || outgoing.isMono(row)) {
            stations.add(Station.FADER);
        }
        Session session = outgoing.session();
        Ways ways = outgoing.ways();
        boolean shared = outgoing.sharing().returns() == Returns.SHARED_OUT;
        boolean heard = ways.through(row, outgoing.sharing().returns()).contains(session.mix());
        boolean sends = shared
                && ways.senders(row).stream()
                        .anyMatch(each -> !each.strip().sends().isEmpty());
        boolean straight = strip.outputs().equals(List.of(session.mix().id())) && !sends;
        boolean throughBuses = isBrought(row, Station.BUS);
        if (throughBuses || heard && !straight) {
            stations.add(Station.BUS);
        }
        if (heard && !throughBuses && isShaping(session.mix())) {
            stations.add(Station.MIX);
        }
        return stations;
    }

    private static boolean isBrought(Row row, Station station) {
        return row.strip().broughtAt(station).isPresent();
    }

    private static boolean hasClipInserts(Row row) {
        return row.clips().stream().anyMatch(clip -> !active(clip.inserts()).isEmpty());
    }

    /** The mix's Fader is always there: it is the reference. */
    private static List<Station> ofMix(Row mix) {
        List<Station> stations = new ArrayList<>();
        List<Insert> inserts = active(mix.strip().inserts());
        boolean moved = !mix.strip().isAtRest();
        boolean kept = inserts.stream().anyMatch(Insert::kept);
        boolean unkept = inserts.stream().anyMatch(insert -> !insert.kept());
        if (isShaping(mix)) {
            stations.add(Station.RAW);
        }
        if (kept && (unkept || moved)) {
            stations.add(Station.SHAPED);
        }
        if (unkept && moved) {
            stations.add(Station.INSERTS);
        }
        stations.add(Station.FADER);
        return stations;
    }

    private static boolean isShaping(Row mix) {
        return !active(mix.strip().inserts()).isEmpty() || !mix.strip().isAtRest();
    }

    /** Inserts that are heard: switched on, and known. */
    public static List<Insert> active(List<Insert> inserts) {
        return inserts.stream()
                .filter(insert -> insert.on() && Effects.find(insert.effect()).isPresent())
                .toList();
    }
}
