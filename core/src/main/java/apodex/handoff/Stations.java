package apodex.handoff;

import apodex.effect.Effects;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.PartRow;
import apodex.session.ReturnRow;
import apodex.session.Routing;
import apodex.session.Routing.Through;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Strip;
import apodex.signal.Carried;
import apodex.signal.Returns;
import apodex.signal.Station;
import java.util.ArrayList;
import java.util.List;

/** Which stations of a row are worth a file: one that cannot differ from the one before it is left out. */
public final class Stations {
    private final Session session;
    private final Returns returns;

    Stations(Session session, Returns returns) {
        this.session = session;
        this.returns = returns;
    }

    /** @param mono whether the row is one channel wide when it reaches its fader */
    List<Station> of(Row row, boolean mono) {
        if (!hasContent(row)) {
            return List.of();
        }
        return row instanceof MixRow mix ? ofMix(mix) : ofOther(row, mono);
    }

    private boolean hasContent(Row row) {
        if (row instanceof AudioRow audio) {
            return !audio.clips().isEmpty();
        }
        if (row instanceof InstrumentRow instrument) {
            return !instrument.notes().isEmpty();
        }
        if (row instanceof PartRow part) {
            return session.row(part.instrument())
                    .filter(InstrumentRow.class::isInstance)
                    .map(each -> !((InstrumentRow) each).notes().isEmpty())
                    .orElse(false);
        }
        if (row instanceof BusRow || row instanceof MixRow) {
            return session.rows().stream()
                    .anyMatch(each -> each.strip().outputs().contains(row.id()) && hasContent(each));
        }
        return session.rows().stream()
                .anyMatch(each ->
                        each.strip().sends().stream().anyMatch(send -> send.to().equals(row.id())) && hasContent(each));
    }

    private List<Station> ofOther(Row row, boolean mono) {
        List<Station> stations = new ArrayList<>();
        Strip strip = row.strip();
        if (row instanceof ReturnRow) {
            stations.add(Station.INSERTS);
        } else {
            stations.add(Station.RAW);
            if (hasClipInserts(row) || active(strip.inserts()).stream().anyMatch(Insert::kept)) {
                stations.add(Station.SHAPED);
            }
            if (active(strip.inserts()).stream().anyMatch(insert -> !insert.kept())) {
                stations.add(Station.INSERTS);
            }
        }
        boolean panned = mono && session.panLaw() != PanLaw.ZERO;
        if (!strip.isAtRest() || panned) {
            stations.add(Station.FADER);
        }
        boolean shared = returns == Returns.SHARED_OUT;
        boolean heard = Routing.downstream(session, row, shared ? Through.OUTPUTS_AND_SENDS : Through.OUTPUTS)
                .contains(session.mix());
        boolean sends = shared
                && Carried.senders(session, row).stream()
                        .anyMatch(each -> !each.strip().sends().isEmpty());
        boolean straight = strip.outputs().equals(List.of(session.mix().id())) && !sends;
        if (heard && !straight) {
            stations.add(Station.BUS);
        }
        if (heard && isShaping(session.mix())) {
            stations.add(Station.MIX);
        }
        return stations;
    }

    private static boolean hasClipInserts(Row row) {
        return row instanceof AudioRow audio
                && audio.clips().stream()
                        .anyMatch(clip -> !active(clip.inserts()).isEmpty());
    }

    /** The mix's Fader is always there: it is the reference. */
    private static List<Station> ofMix(MixRow mix) {
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

    private static boolean isShaping(MixRow mix) {
        return !active(mix.strip().inserts()).isEmpty() || !mix.strip().isAtRest();
    }

    /** Inserts that are heard: switched on, and known. */
    public static List<Insert> active(List<Insert> inserts) {
        return inserts.stream()
                .filter(insert -> insert.on() && Effects.find(insert.effect()).isPresent())
                .toList();
    }
}
