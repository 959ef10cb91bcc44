package apodex.parcel;

import apodex.effect.Effects;
import apodex.session.Insert;
import apodex.session.Move;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Returns;
import java.util.ArrayList;
import java.util.List;

/** Says what of a row is not in a file of it, as it stood in the session, so that it can be set up again. */
final class LeftOut {
    private LeftOut() {}

    /**
     * In words, in the order of the signal path.
     *
     * @param taken   where the file was taken
     * @param returns what became of returns
     */
    static List<String> of(Session session, Row row, Station taken, Returns returns) {
        List<String> left = new ArrayList<>();
        if (taken == Station.RAW
                && row.clips().stream().anyMatch(clip -> !clip.inserts().isEmpty())) {
            left.add("effects on single clips");
        }
        for (Insert insert : row.strip().inserts()) {
            if (insert.on() && !isIn(row.strip(), insert, taken)) {
                left.add(InsertWords.inSentence(insert));
            }
        }
        if (taken.compareTo(Station.FADER) < 0) {
            left.addAll(strip(row.strip()));
        }
        boolean carried = taken.compareTo(Station.FADER) > 0 && returns == Returns.SHARED_OUT;
        row.strip().sends().stream().filter(send -> !carried).forEach(send -> session.row(send.to())
                .ifPresent(to -> left.add("a send of " + Figures.db(send.levelDb()) + " dB to " + to.name())));
        return left;
    }

    /** Whether a file holds an insert: what was rendered elsewhere holds all before it, and nothing else holds what is not of the house. */
    static boolean isIn(Strip strip, Insert insert, Station taken) {
        boolean byShaped = insert.kept() && isBrought(strip, Station.SHAPED, taken);
        boolean byInserts = isBrought(strip, Station.INSERTS, taken)
                || isBrought(strip, Station.FADER, taken)
                || taken == Station.BUS && isBrought(strip, Station.BUS, taken);
        boolean made = Effects.find(insert.effect()).isPresent()
                && (taken.compareTo(Station.INSERTS) >= 0 || taken == Station.SHAPED && insert.kept());
        return byShaped || byInserts || made;
    }

    private static boolean isBrought(Strip strip, Station station, Station taken) {
        return station.compareTo(taken) <= 0 && strip.broughtAt(station).isPresent();
    }

    private static List<String> strip(Strip strip) {
        List<String> left = new ArrayList<>();
        if (!strip.faderMoves().isEmpty()) {
            left.add(moves("fader", strip.faderMoves()));
        } else if (strip.faderDb() != 0) {
            left.add("fader at " + Figures.db(strip.faderDb()) + " dB");
        }
        if (!strip.panMoves().isEmpty()) {
            left.add(moves("pan", strip.panMoves()));
        } else if (strip.pan() != 0) {
            left.add("pan " + Math.round(Math.abs(strip.pan())) + (strip.pan() < 0 ? " left" : " right"));
        }
        if (strip.muted()) {
            left.add("it is muted in the mix");
        }
        return left;
    }

    private static String moves(String of, List<Move> points) {
        return of + " moves (" + points.size() + (points.size() == 1 ? " point)" : " points)");
    }
}
