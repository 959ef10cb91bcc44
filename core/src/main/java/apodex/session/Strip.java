package apodex.session;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;
import java.util.Optional;

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
 * @param brought    what was rendered elsewhere for stations of the row, one for a station at the most
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
        List<String> outputs,
        List<Brought> brought) {
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
        brought = copy(brought); // documents from before there was any do not say
    }

    private static <T> List<T> copy(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    /** Unity, centred, into these rows. */
    public static Strip feeding(String... outputs) {
        return new Strip(List.of(), 0, 0, false, false, List.of(), List.of(), List.of(), List.of(outputs), List.of());
    }

    /** True when fader, pan and mute leave a stereo signal as it is. */
    @JsonIgnore
    public boolean isAtRest() {
        return faderDb == 0 && pan == 0 && !muted && faderMoves.isEmpty() && panMoves.isEmpty();
    }

    public Strip withInserts(List<Insert> other) {
        return new Strip(other, faderDb, pan, muted, soloed, faderMoves, panMoves, sends, outputs, brought);
    }

    /** In dB, and pan from -1 (left) to 1 (right). */
    public Strip withFader(double db, double position) {
        return new Strip(inserts, db, position, muted, soloed, faderMoves, panMoves, sends, outputs, brought);
    }

    public Strip withMuteAndSolo(boolean mute, boolean solo) {
        return new Strip(inserts, faderDb, pan, mute, solo, faderMoves, panMoves, sends, outputs, brought);
    }

    /** Fader in dB and pan from -1 to 1, at frames of the session, ascending. */
    public Strip withMoves(List<Move> fader, List<Move> position) {
        return new Strip(inserts, faderDb, pan, muted, soloed, fader, position, sends, outputs, brought);
    }

    public Strip withSends(List<Send> other) {
        return new Strip(inserts, faderDb, pan, muted, soloed, faderMoves, panMoves, other, outputs, brought);
    }

    /** Ids of the buses it feeds, or of the mix. */
    public Strip withOutputs(List<String> other) {
        return new Strip(inserts, faderDb, pan, muted, soloed, faderMoves, panMoves, sends, other, brought);
    }

    /** What was rendered elsewhere for stations of the row. */
    public Strip withBrought(List<Brought> other) {
        return new Strip(inserts, faderDb, pan, muted, soloed, faderMoves, panMoves, sends, outputs, other);
    }

    /** What was rendered elsewhere for a station; empty when Apodex makes it, as it makes the silence of what is muted. */
    public Optional<List<Clip>> broughtAt(Station station) {
        if (muted && station.compareTo(Station.FADER) >= 0) {
            return Optional.empty();
        }
        return brought.stream()
                .filter(each -> each.station() == station)
                .map(each -> each.clips().stream().filter(clip -> !clip.muted()).toList())
                .findFirst();
    }

    /** Inserts that are heard at a station before the fader: what comes before a file rendered elsewhere is in that file. */
    public List<Insert> insertsAt(Station station) {
        if (station == Station.RAW || broughtAt(station).isPresent()) {
            return List.of();
        }
        boolean shaped = broughtAt(Station.SHAPED).isPresent();
        return station == Station.SHAPED
                ? inserts.stream().filter(Insert::kept).toList()
                : broughtAt(Station.INSERTS).isPresent()
                        ? List.of()
                        : inserts.stream()
                                .filter(insert -> !(shaped && insert.kept()))
                                .toList();
    }

    /** Whether anything can come through the fader. */
    @JsonIgnore
    public boolean isOpen() {
        return !muted
                && (faderDb > SILENT_DB
                        || !faderMoves.isEmpty()
                        || broughtAt(Station.FADER).isPresent());
    }
}
