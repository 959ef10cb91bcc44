package apodex.parcel;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.handoff.PlanRow;
import apodex.session.Insert;
import apodex.session.Move;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Strip;
import jakarta.annotation.Nullable;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * How a row was set in the session, so that a mixer can set it up again: in the manifest, for programs.
 *
 * @param id         by which others name it here
 * @param number     as on the sheet; 0 for the mix
 * @param kind       audio, instrument, part, bus, return or mix
 * @param role       in the music, in a word
 * @param clipInserts whether single clips have effects of their own, which files at Raw do not have
 * @param faderDb    while no moves stand in its place
 * @param pan        -100 left, 0 centre, 100 right; likewise
 * @param outputs    ids of the buses it feeds, or of the mix; none: it goes nowhere
 * @param inserts    in the order the signal takes them
 */
public record RowSetup(
        String id,
        int number,
        String name,
        String kind,
        String role,
        String note,
        boolean clipInserts,
        double faderDb,
        double pan,
        boolean muted,
        List<Point> faderMoves,
        List<Point> panMoves,
        List<String> outputs,
        List<Way> sends,
        List<Setup> inserts) {

    /**
     * A point of a lane of moves; between two the value goes in a straight line, before the first and after the last it stays.
     *
     * @param frame   of the session
     * @param seconds from the session's start
     * @param place   bar and beat, where there is a tempo
     * @param value   dB, or position from -100 (left) to 100 (right)
     */
    public record Point(long frame, double seconds, String place, double value) {}

    /**
     * A send.
     *
     * @param to   id of a return
     * @param from beforeFader or afterFader
     */
    public record Way(String to, double levelDb, Send.From from) {}

    /**
     * An insert.
     *
     * @param effect   its name in documents
     * @param on       whether it was heard
     * @param kept     whether it is part of the sound, and in files at Shaped
     * @param key      id of the row it listens to; null for its own
     * @param settings every setting, in the units that {@code words} has
     * @param words    the same for people
     */
    public record Setup(
            String effect,
            String name,
            boolean on,
            boolean kept,
            @Nullable String key,
            Map<String, Double> settings,
            String words) {}

    /** @param session as the handoff sees it */
    static RowSetup of(Session session, PlanRow planned) {
        Row row = session.row(planned.row()).orElseThrow();
        Strip strip = row.strip();
        return new RowSetup(
                row.id(),
                planned.number(),
                row.name(),
                row.kind().name().toLowerCase(Locale.ROOT),
                row.about().role().words(),
                row.about().note(),
                row.clips().stream().anyMatch(clip -> clip.inserts().stream().anyMatch(Insert::on)),
                strip.faderDb(),
                strip.pan(),
                strip.muted(),
                points(session, strip.faderMoves()),
                points(session, strip.panMoves()),
                strip.outputs(),
                strip.sends().stream()
                        .map(send -> new Way(send.to(), send.levelDb(), send.from()))
                        .toList(),
                strip.inserts().stream().map(insert -> setup(session, insert)).toList());
    }

    private static List<Point> points(Session session, List<Move> moves) {
        return moves.stream()
                .map(move -> new Point(
                        move.frame(),
                        session.rate().seconds(move.frame()),
                        SongPlace.of(session, move.frame()),
                        move.value()))
                .toList();
    }

    private static Setup setup(Session session, Insert insert) {
        Map<String, Double> all = new LinkedHashMap<>();
        Effects.find(insert.effect())
                .map(Effect::settings)
                .ifPresentOrElse(
                        settings -> settings.forEach(
                                setting -> all.put(setting.id(), InsertWords.valueOf(setting, insert.settings()))),
                        () -> all.putAll(insert.settings()));
        return new Setup(
                insert.effect(),
                InsertWords.name(insert),
                insert.on(),
                insert.kept(),
                insert.key(),
                all,
                InsertWords.settings(session, insert));
    }
}
