package apodex.session;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;

/**
 * What happens to a row's signal on its way out.
 *
 * @param inserts    in the order the signal takes them
 * @param faderDb    level; {@link #SILENT_DB} and below is nothing at all
 * @param pan        -100 left, 0 centre, 100 right
 * @param muted      not heard after the fader
 * @param soloed     for listening only: no print follows it
 * @param faderMoves when there are any, they replace {@code faderDb}
 * @param panMoves   when there are any, they replace {@code pan}
 * @param sends      to returns
 * @param outputs    ids of the buses it feeds, or of the mix; none: it goes nowhere
 */
public record Strip(
        List<Insert> inserts,
        double faderDb,
        double pan,
        boolean muted,
        boolean soloed,
        List<Move> faderMoves,
        List<Move> panMoves,
        List<Send> sends,
        List<String> outputs) {
    public static final double SILENT_DB = -144;
    public static final double LOUDEST_DB = 24;
    /** Faders and sends, in dB. */
    public static final Bounds LEVEL_DB = new Bounds(SILENT_DB, LOUDEST_DB);
    /** From hard left to hard right. */
    public static final Bounds PAN = new Bounds(-100, 100);
    /** Unity, centred, straight to the mix. */
    public static final Strip PLAIN = feeding(MixRow.ID);

    public Strip {
        inserts = copy(inserts);
        faderMoves = copy(faderMoves);
        panMoves = copy(panMoves);
        sends = copy(sends);
        outputs = copy(outputs);
    }

    private static <T> List<T> copy(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    /** Unity, centred, into these rows. */
    public static Strip feeding(String... outputs) {
        return new Strip(List.of(), 0, 0, false, false, List.of(), List.of(), List.of(), List.of(outputs));
    }

    /** True when fader, pan and mute leave a stereo signal as it is. */
    @JsonIgnore
    public boolean isAtRest() {
        return faderDb == 0 && pan == 0 && !muted && faderMoves.isEmpty() && panMoves.isEmpty();
    }

    public Strip withInserts(List<Insert> other) {
        return new Strip(other, faderDb, pan, muted, soloed, faderMoves, panMoves, sends, outputs);
    }

    /** In dB, and pan from -1 (left) to 1 (right). */
    public Strip withFader(double db, double position) {
        return new Strip(inserts, db, position, muted, soloed, faderMoves, panMoves, sends, outputs);
    }

    public Strip withMuteAndSolo(boolean mute, boolean solo) {
        return new Strip(inserts, faderDb, pan, mute, solo, faderMoves, panMoves, sends, outputs);
    }

    /** Fader in dB and pan from -1 to 1, at frames of the session, ascending. */
    public Strip withMoves(List<Move> fader, List<Move> position) {
        return new Strip(inserts, faderDb, pan, muted, soloed, fader, position, sends, outputs);
    }

    public Strip withSends(List<Send> other) {
        return new Strip(inserts, faderDb, pan, muted, soloed, faderMoves, panMoves, other, outputs);
    }

    /** Ids of the buses it feeds, or of the mix. */
    public Strip withOutputs(List<String> other) {
        return new Strip(inserts, faderDb, pan, muted, soloed, faderMoves, panMoves, sends, other);
    }
}
