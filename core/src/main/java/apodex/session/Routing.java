package apodex.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Which rows feed which: outputs, sends, and the rows that inserts listen to. */
public final class Routing {
    /** The ways a sound is followed. */
    public enum Through {
        OUTPUTS,
        OUTPUTS_AND_SENDS
    }

    private Routing() {}

    /**
     * Refuses a session in which a sound comes back to where it came from.
     *
     * @throws EditRefused naming the rows of the loop
     */
    public static void refuseLoops(Session session) {
        Map<String, List<String>> keyed = new HashMap<>();
        for (Row row : session.rows()) {
            row.strip().inserts().stream()
                    .filter(insert -> insert.key() != null)
                    .forEach(insert -> keyed.computeIfAbsent(insert.key(), key -> new ArrayList<>())
                            .add(row.id()));
        }
        Set<String> done = new HashSet<>();
        for (Row row : session.rows()) {
            walk(session, row, keyed, new LinkedHashMap<>(), done);
        }
    }

    /** @param keyed rows whose effects listen to a row, by that row */
    private static void walk(
            Session session, Row row, Map<String, List<String>> keyed, Map<String, Row> path, Set<String> done) {
        if (path.containsKey(row.id())) {
            List<Row> loop = new ArrayList<>(path.values());
            loop = loop.subList(loop.indexOf(path.get(row.id())), loop.size());
            String words = Stream.concat(loop.stream(), Stream.of(row))
                    .map(each -> "“" + each.name() + "”")
                    .collect(Collectors.joining(" feeds "));
            throw new EditRefused("outputs", "That would be a loop: " + words + ".");
        }
        if (!done.add(row.id())) {
            return;
        }
        path.put(row.id(), row);
        Set<String> hears = new LinkedHashSet<>(row.strip().outputs());
        row.strip().sends().forEach(send -> hears.add(send.to()));
        hears.addAll(keyed.getOrDefault(row.id(), List.of()));
        for (String next : hears) {
            session.row(next).ifPresent(each -> walk(session, each, keyed, path, done));
        }
        path.remove(row.id());
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
