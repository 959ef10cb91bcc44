package apodex.check;

import apodex.session.Session;
import apodex.time.FrameRange;
import apodex.time.TempoMap;

/** Stretches in whole bars. */
final class Bars {
    private Bars() {}

    /** The whole bars that hold a stretch; the stretch itself while no tempo is known. */
    static FrameRange around(Session session, FrameRange stretch) {
        if (session.song().tempo() == null) {
            return stretch;
        }
        TempoMap map = session.song().timeline();
        int first = map.barAt(map.quarterOf(stretch.start(), session.rate()));
        int last = map.barAt(map.quarterOf(stretch.end(), session.rate()));
        return new FrameRange(map.frameOfBar(first, session.rate()), map.frameOfBar(last + 1, session.rate()));
    }

    /** {@code bars 16–18} */
    static String named(Session session, FrameRange bars) {
        if (session.song().tempo() == null) {
            return "that stretch";
        }
        TempoMap map = session.song().timeline();
        int first = map.barAt(map.quarterOf(bars.start(), session.rate()) + 1e-6);
        int last = map.barAt(map.quarterOf(bars.end(), session.rate()) - 1e-3);
        return first == last ? "bar " + first : "bars " + first + "–" + last;
    }
}
