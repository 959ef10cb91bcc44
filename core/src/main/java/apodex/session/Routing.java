package apodex.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Which rows feed which: outputs, sends, and the rows that inserts listen to. */
public final class Routing {
    /** The ways a sound is followed. */
    public enum Through {
        OUTPUTS,
        OUTPUTS_AND_SENDS
    }

    private Routing() {}

    /** Ids of the rows that hear {@code row} directly. */
    static Set<String> heardBy(Session session, Row row) {
        Set<String> next = new LinkedHashSet<>(row.strip().outputs());
        row.strip().sends().forEach(send -> next.add(send.to()));
        for (Row other : session.rows()) {
            if (other.strip().inserts().stream().anyMatch(insert -> row.id().equals(insert.key()))) {
                next.add(other.id());
            }
        }
        return next;
    }

    /**
     * Refuses a session in which a sound comes back to where it came from.
     *
     * @throws EditRefused naming the rows of the loop
     */
    public static void refuseLoops(Session session) {
        Set<String> done = new HashSet<>();
        for (Row row : session.rows()) {
            walk(session, row, new ArrayList<>(), done);
        }
    }

    private static void walk(Session session, Row row, List<Row> path, Set<String> done) {
        if (path.contains(row)) {
            List<Row> loop = new ArrayList<>(path.subList(path.indexOf(row), path.size()));
            loop.add(row);
            throw new EditRefused(
                    "outputs",
                    "That would be a loop: "
                            + loop.stream().map(each -> "“" + each.name() + "”").collect(Collectors.joining(" feeds "))
                            + ".");
        }
        if (!done.add(row.id())) {
            return;
        }
        path.add(row);
        for (String next : heardBy(session, row)) {
            session.row(next).ifPresent(each -> walk(session, each, path, done));
        }
        path.remove(path.size() - 1);
    }

    /** Every row a sound of {@code row} reaches through outputs, nearest first. */
    public static List<Row> downstream(Session session, Row row, Through through) {
        Set<String> seen = new LinkedHashSet<>();
        List<String> queue = new ArrayList<>(next(row, through));
        while (!queue.isEmpty()) {
            String id = queue.remove(0);
            if (seen.add(id)) {
                session.row(id).ifPresent(each -> queue.addAll(next(each, through)));
            }
        }
        return seen.stream().flatMap(id -> session.row(id).stream()).toList();
    }

    /** Rows whose sound arrives at a row directly, in order. A muted row's does so only by a send before its fader. */
    public static List<Row> feeding(Session session, Row row, Through through) {
        return session.rows().stream()
                .filter(each -> !each.strip().muted() && next(each, through).contains(row.id())
                        || through == Through.OUTPUTS_AND_SENDS
                                && each.strip().sends().stream()
                                        .anyMatch(send -> send.from() == Send.From.BEFORE_FADER
                                                && send.to().equals(row.id())))
                .toList();
    }

    /** Rows that a bus carries: who has the bus has them. Those it runs beside are not among them. */
    public static List<Row> members(Session session, Row bus) {
        List<Row> besides = besides(session, bus);
        return feeding(session, bus, Through.OUTPUTS).stream()
                .filter(row -> !besides.contains(row))
                .toList();
    }

    /** Rows that a bus runs beside: they feed it, and something else as well that it ends in too. */
    public static List<Row> besides(Session session, Row bus) {
        List<String> after =
                downstream(session, bus, Through.OUTPUTS).stream().map(Row::id).toList();
        return feeding(session, bus, Through.OUTPUTS).stream()
                .filter(row -> row.strip().outputs().stream()
                        .anyMatch(output -> !output.equals(bus.id()) && after.contains(output)))
                .toList();
    }

    private static List<String> next(Row row, Through through) {
        List<String> next = new ArrayList<>(row.strip().outputs());
        if (through == Through.OUTPUTS_AND_SENDS) {
            row.strip().sends().forEach(send -> next.add(send.to()));
        }
        return next;
    }
}
