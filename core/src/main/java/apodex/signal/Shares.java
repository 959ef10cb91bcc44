package apodex.signal;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.LinearUnit;
import apodex.effect.Nature;
import apodex.effect.Unit;
import apodex.effect.Values;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.Session;
import java.util.ArrayList;
import java.util.List;

/**
 * What of a single row goes through the buses, returns and mix it reaches: the nodes of Bus and Mix. In place, linear
 * effects run on the share itself, and the others repeat on it what they did to the whole sum.
 */
final class Shares {
    private final Graph graph;
    private final Session session;
    private final Sharing sharing;
    private final Ways ways;

    Shares(Graph graph, Session session, Sharing sharing) {
        this.graph = graph;
        this.session = session;
        this.sharing = sharing;
        this.ways = new Ways(session);
    }

    Node atMixDoor(Row row) {
        return graph.point(
                row.id() + ">door", () -> graph.sum(2, into(row, session.mix()), graph.raw(session.mix()).latency));
    }

    /** What of {@code row} arrives at the inputs of {@code target}. */
    private List<Edge.Wish> into(Row row, Row target) {
        List<Edge.Wish> wishes = new ArrayList<>();
        boolean withReturns = sharing.returns() == Returns.SHARED_OUT;
        if (row.strip().outputs().contains(target.id())) {
            wishes.add(graph.afterFader(row));
        }
        if (withReturns) {
            for (Row sender : ways.senders(row)) {
                wishes.addAll(Graph.sends(
                        sender,
                        target,
                        () -> new Edge.Wish(graph.inserted(sender), 1),
                        () -> graph.afterFader(sender)));
            }
        }
        for (Row between : ways.through(row, sharing.returns())) {
            if (between.strip().outputs().contains(target.id())) {
                wishes.add(new Edge.Wish(fader(row, between), 1));
            }
            if (withReturns && !ways.senders(row).contains(between)) {
                wishes.addAll(Graph.sends(
                        between,
                        target,
                        () -> new Edge.Wish(inserted(row, between), 1),
                        () -> new Edge.Wish(fader(row, between), 1)));
            }
        }
        return wishes;
    }

    Node fader(Row row, Row target) {
        return graph.point(
                row.id() + ">" + target.id() + "/fader", () -> graph.fader(inserted(row, target), target.strip()));
    }

    /** What of {@code row} comes out of the inserts of {@code target}. */
    private Node inserted(Row row, Row target) {
        return graph.point(row.id() + ">" + target.id() + "/inserts", () -> {
            Node share = graph.sum(2, into(row, target), graph.raw(target).latency);
            return sharing.dynamics() == Dynamics.ALONE
                    ? graph.chain(
                            row.id() + ">" + target.id() + "/alone",
                            share,
                            target.strip().inserts(),
                            Graph.Which.ALL)
                    : inPlace(share, target);
        });
    }

    private Node inPlace(Node start, Row target) {
        Node share = start;
        List<Insert> inserts = target.strip().inserts();
        for (int i = 0; i < inserts.size(); i++) {
            Insert insert = inserts.get(i);
            if (Graph.active(List.of(insert)).isEmpty()) {
                continue;
            }
            share = isLinear(insert) ? last(graph.run(insert, share)) : follow(insert, graph.unitsOf(target, i), share);
        }
        return share;
    }

    private static boolean isLinear(Insert insert) {
        return Effects.find(insert.effect()).orElseThrow().nature() == Nature.LINEAR;
    }

    private static Node last(List<Node> units) {
        return units.get(units.size() - 1);
    }

    private Node follow(Insert insert, List<Node> units, Node start) {
        Effect effect = Effects.find(insert.effect()).orElseThrow();
        List<Unit> fresh = effect.make(new Values(insert.settings()), graph.place(start.width));
        Node share = start;
        int unit = 0;
        for (Node leader : units) {
            if (leader instanceof DelayNode delay) {
                share = graph.add(new DelayNode(share, delay.latency - delay.before().latency, graph.blockFrames()));
            } else if (leader instanceof ControlNode control) {
                share = graph.add(control.follower(share, graph.blockFrames()));
                unit++;
            } else {
                share = graph.add(new LinearNode(share, (LinearUnit) fresh.get(unit), leader.width, 0, 0));
                unit++;
            }
        }
        return share;
    }
}
