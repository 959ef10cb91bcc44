package apodex.session;

import apodex.time.TempoMap;
import java.util.Locale;

/** Says where in a song a frame lies. */
public final class SongPlace {
    private SongPlace() {}

    /** {@code bar 17 beat 2}; minutes while no tempo is known, and before the song begins. */
    public static String of(Session session, long frame) {
        if (session.song().tempo() == null || frame < 0) {
            double seconds = session.rate().seconds(frame);
            return String.format(
                    Locale.ROOT,
                    "%s%d:%06.3f",
                    seconds < 0 ? "-" : "",
                    (long) Math.abs(seconds) / 60,
                    Math.abs(seconds) % 60);
        }
        TempoMap map = session.song().timeline();
        double quarter = map.quarterOf(frame, session.rate());
        int bar = map.barAt(quarter);
        double beat = (quarter - map.quarterOfBar(bar)) * map.meterOf(bar).unit() / 4;
        return "bar " + bar + " beat " + ((int) Math.floor(beat + 1e-6) + 1);
    }
}
