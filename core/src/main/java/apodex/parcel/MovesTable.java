package apodex.parcel;

import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.PlannedSection;
import apodex.session.Move;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Strip;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Fader and pan moves, where they lie in the files. What lies before a section counts as its start, what lies behind it is left out.
 */
final class MovesTable {
    static final String NAME = "moves.csv";

    private MovesTable() {}

    /** What a lane moves. */
    enum Lane {
        FADER("fader", "dB"),
        PAN("pan", "-100 left to 100 right");

        private final String word;
        private final String unit;

        Lane(String word, String unit) {
            this.word = word;
            this.unit = unit;
        }
    }

    /**
     * A point of a lane.
     *
     * @param sample of the section's files
     * @param place  bar and beat of the song
     */
    record Point(
            PlannedSection section, PlanRow row, Lane lane, long sample, double seconds, String place, double value) {
        String lanes() {
            return lane.word;
        }

        /** For people. */
        String written() {
            return lane == Lane.FADER
                    ? Figures.db(value) + " dB"
                    : value == 0 ? "centre" : Math.round(Math.abs(value)) + (value < 0 ? " left" : " right");
        }
    }

    /** Every point, row by row. @param session as the handoff sees it */
    static List<Point> of(Session session, Plan plan) {
        List<Point> points = new ArrayList<>();
        for (PlannedSection section : plan.sections()) {
            for (PlanRow row : plan.rows()) {
                Strip strip = session.row(row.row()).orElseThrow().strip();
                points.addAll(points(session, plan, section, row, Lane.FADER, strip.faderMoves()));
                points.addAll(points(session, plan, section, row, Lane.PAN, strip.panMoves()));
            }
        }
        return points;
    }

    private static List<Point> points(
            Session session, Plan plan, PlannedSection section, PlanRow row, Lane lane, List<Move> moves) {
        long start = section.passage().range().start();
        long end = section.end(plan.rate(), session.rate());
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < moves.size(); i++) {
            Move move = moves.get(i);
            boolean passedByNow = i + 1 < moves.size() && moves.get(i + 1).frame() <= start;
            boolean needed = i == 0 || move.frame() <= end || moves.get(i - 1).frame() < end;
            if (passedByNow || !needed) {
                continue;
            }
            if (move.frame() < start) {
                double value = i + 1 < moves.size() ? between(move, moves.get(i + 1), start) : move.value();
                points.add(point(session, plan, section, row, lane, new Move(start, value)));
            } else if (move.frame() > end) {
                double value = i == 0 ? move.value() : between(moves.get(i - 1), move, end);
                points.add(point(session, plan, section, row, lane, new Move(end, value)));
            } else {
                points.add(point(session, plan, section, row, lane, move));
            }
        }
        return points;
    }

    private static double between(Move from, Move to, long frame) {
        double share = (double) (frame - from.frame()) / (to.frame() - from.frame());
        return from.value() + share * (to.value() - from.value());
    }

    private static Point point(Session session, Plan plan, PlannedSection section, PlanRow row, Lane lane, Move move) {
        double seconds = session.rate()
                .seconds(move.frame()
                        - section.passage().range().start()
                        + section.passage().leadInFrames());
        return new Point(
                section,
                row,
                lane,
                Math.round(seconds * plan.rate().hertz()),
                seconds,
                SongPlace.of(session, move.frame()),
                move.value());
    }

    /** Comma-separated with a line of names, as RFC 4180 has it. */
    static String csv(List<Point> points) {
        StringBuilder out = new StringBuilder("section,row,name,lane,sample,seconds,place,value,unit\r\n");
        for (Point point : points) {
            out.append(Csv.line(
                    Csv.plain(point.section().name()),
                    Integer.toString(point.row().number()),
                    Csv.plain(point.row().name()),
                    point.lane().word,
                    Long.toString(point.sample()),
                    String.format(Locale.ROOT, "%.6f", point.seconds()),
                    point.place(),
                    Csv.number(point.value()),
                    point.lane().unit));
        }
        return out.toString();
    }
}
