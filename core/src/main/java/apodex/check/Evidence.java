package apodex.check;

import apodex.time.FrameRange;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.List;

/**
 * What a check saw.
 *
 * @param figures numbers with their units, each with what it is
 * @param drawing what to show; null for nothing but the figures
 */
public record Evidence(List<Figure> figures, @Nullable Drawing drawing) {
    /** More of them cannot be told apart in a drawing. */
    private static final int MOST_MARKS = 300;

    public static final Evidence NONE = new Evidence(List.of(), null);

    public Evidence {
        figures = List.copyOf(figures);
    }

    /** One number in words: {@code Longest run}, {@code 17 samples}. */
    public record Figure(String what, String value) {}

    /** What is drawn. */
    public enum Kind {
        /** A row's sound from one frame to another, with marked stretches. */
        @JsonProperty("wave")
        WAVE,
        /** Its two sides laid over each other. */
        @JsonProperty("sides")
        SIDES,
        /** The way of a signal from row to row. */
        @JsonProperty("route")
        ROUTE
    }

    /**
     * Something to show.
     *
     * @param row   whose sound; empty for a route
     * @param from  first frame of the session shown
     * @param to    the frame after the last
     * @param marks the first stretches, in frames of the session, that it is about
     * @param route ids of rows, in the order the signal takes them
     */
    public record Drawing(Kind kind, String row, long from, long to, List<FrameRange> marks, List<String> route) {
        public Drawing {
            marks = List.copyOf(marks.subList(0, Math.min(MOST_MARKS, marks.size())));
            route = List.copyOf(route);
        }
    }

    static Drawing wave(String row, FrameRange shown, List<FrameRange> marks) {
        return new Drawing(Kind.WAVE, row, shown.start(), shown.end(), marks, List.of());
    }

    static Drawing sides(String row, FrameRange shown) {
        return new Drawing(Kind.SIDES, row, shown.start(), shown.end(), List.of(), List.of());
    }

    static Drawing route(List<String> rows) {
        return new Drawing(Kind.ROUTE, "", 0, 0, List.of(), rows);
    }
}
