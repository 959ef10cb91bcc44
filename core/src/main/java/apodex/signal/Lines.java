package apodex.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Joins the nodes of a graph into lines: a stage goes into the line of the node before it when nothing else reads that. */
final class Lines {
    private Lines() {}

    /** @param nodes each after those it needs; taps are in place */
    static List<Line> of(List<Node> nodes, long walkStart, int blockFrames) {
        Map<Node, Integer> readers = new HashMap<>();
        for (Node node : nodes) {
            if (node.before() != null) {
                readers.merge(node.before(), 1, Integer::sum);
            }
            node.hears().forEach(heard -> readers.merge(heard, 1, Integer::sum));
        }
        Map<Node, List<Node>> lineOf = new LinkedHashMap<>();
        List<List<Node>> all = new ArrayList<>();
        for (Node node : nodes) {
            Node before = node.before();
            List<Node> line = before != null && readers.get(before) == 1 ? lineOf.get(before) : new ArrayList<>();
            if (line.isEmpty()) {
                all.add(line);
            }
            line.add(node);
            lineOf.put(node, line);
        }
        List<Line> lines =
                all.stream().map(line -> line(line, walkStart, blockFrames)).toList();
        lines.forEach(Line::connect);
        return lines;
    }

    private static Line line(List<Node> members, long walkStart, int blockFrames) {
        List<Node> running = new ArrayList<>();
        List<Node> absorbed = new ArrayList<>();
        for (Node node : members) {
            Node last = running.isEmpty() ? null : running.get(running.size() - 1);
            if (last instanceof LinearNode filter && filter.taps.isEmpty() && filter.absorb(node)) {
                filter.taps.addAll(node.taps);
                absorbed.add(node);
            } else {
                running.add(node);
            }
        }
        Line line = new Line(running, walkStart, blockFrames);
        absorbed.forEach(node -> node.line = line);
        return line;
    }
}
