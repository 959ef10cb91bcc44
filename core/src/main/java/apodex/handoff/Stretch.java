package apodex.handoff;

import apodex.session.Session;
import apodex.time.FrameRange;
import apodex.time.TempoMap;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;

/**
 * From a bar, time or marker to a bar, time or marker.
 *
 * @param from first sound
 * @param to   where it ends; a bar is not part of it itself
 */
public record Stretch(Point from, Point to) {
    /** What a point is counted in. */
    public enum CountedIn {
        /** Bars from 1, with a fraction within the bar. */
        @JsonProperty("bars")
        BARS,
        @JsonProperty("seconds")
        SECONDS,
        /** A marker, wherever it stands then. */
        @JsonProperty("marker")
        MARKER
    }

    /**
     * A point of the song.
     *
     * @param at     bar or seconds; of a marker, 0
     * @param marker name of the marker; null for a bar or a time
     */
    public record Point(CountedIn unit, double at, @Nullable String marker) {
        public Point(CountedIn unit, double at) {
            this(unit, at, null);
        }

        public static Point marker(String name) {
            return new Point(CountedIn.MARKER, 0, name);
        }
    }

    /**
     * Its frames in a session.
     *
     * @throws IllegalArgumentException when there is nothing in it; the message is for people
     */
    FrameRange frames(Session session) {
        if (from == null || to == null || from.unit() == null || to.unit() == null) {
            throw new IllegalArgumentException("A range goes from a bar, time or marker to another.");
        }
        long start = frame(from, session);
        long end = frame(to, session);
        if (start >= session.frames()) {
            throw new IllegalArgumentException("The range starts after the last sound of the session.");
        }
        if (end <= start) {
            throw new IllegalArgumentException("The range has no length: it ends where it starts, or before.");
        }
        return new FrameRange(start, end);
    }

    private static long frame(Point point, Session session) {
        if (point.unit() == CountedIn.MARKER) {
            return session.markers().stream()
                    .filter(marker -> marker.name().equals(point.marker()))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(
                            "There is no marker “" + point.marker() + "” in this session."))
                    .frame();
        }
        double lowest = point.unit() == CountedIn.BARS ? 1 : 0;
        if (!(point.at() >= lowest && point.at() < 1e5)) {
            throw new IllegalArgumentException(
                    point.unit() == CountedIn.BARS
                            ? "Bars count from 1; there is no bar " + point.at() + "."
                            : "A range cannot reach to " + point.at() + " seconds.");
        }
        if (point.unit() == CountedIn.SECONDS) {
            return Math.round(point.at() * session.rate().hertz());
        }
        TempoMap map = session.song().timeline();
        int bar = (int) point.at();
        double quarter =
                map.quarterOfBar(bar) + (point.at() - bar) * map.meterOf(bar).quartersPerBar();
        return map.frameOf(quarter, session.rate());
    }
}
