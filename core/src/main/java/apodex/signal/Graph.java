package apodex.signal;

import apodex.effect.Conditions;
import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.GainUnit;
import apodex.effect.LinearUnit;
import apodex.effect.ShaperUnit;
import apodex.effect.Unit;
import apodex.effect.Values;
import apodex.measure.Decibels;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Playing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Strip;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * The session's signal path as nodes, made on demand: each point is made once, whoever asks for it, so that what several
 * files need is computed once. Points have a name, such as {@code voice/inserts/0,2}; two that have the same name are the
 * same.
 */
final class Graph {
    /** Which inserts of a chain a stream goes through. */
    enum Which {
        KEPT,
        ALL
    }

    private final Session session;
    private final Shares shares;
    private final Recordings recordings;
    private final int blockFrames;
    private final Kernels kernels = new Kernels();
    private final Curtain curtain;
    private final Map<String, Node> points = new LinkedHashMap<>();
    private final List<Node> nodes = new ArrayList<>();
    /** Nodes of each insert, in order. */
    private final Map<String, List<Node>> unitsOf = new LinkedHashMap<>();

    Graph(Session session, Sharing sharing, Recordings recordings, int blockFrames, Curtain curtain) {
        this.curtain = curtain;
        this.session = session;
        this.shares = new Shares(this, session, sharing);
        this.recordings = recordings;
        this.blockFrames = blockFrames;
    }

    Kernels kernels() {
        return kernels;
    }

    Curtain curtain() {
        return curtain;
    }

    /** All nodes, each after those it needs. */
    List<Node> nodes() {
        return nodes;
    }

    /** Where a row's signal is taken at a station. */
    Node at(Row row, Station station) {
        return switch (station) {
            case RAW -> raw(row);
            case SHAPED -> shaped(row);
            case INSERTS -> inserted(row);
            case FADER -> fader(row);
            case BUS ->
                row.kind() == RowKind.MIX ? raw(row) : brought(row, Station.BUS).orElseGet(() -> shares.atMixDoor(row));
            case MIX -> row.kind() == RowKind.MIX ? fader(row) : shares.fader(row, session.mix());
        };
    }

    Node point(String name, Supplier<Node> make) {
        Node known = points.get(name);
        if (known != null) {
            return known;
        }
        Node made = make.get();
        points.put(name, made);
        return made;
    }

    <T extends Node> T add(T node) {
        nodes.add(node);
        return node;
    }

    SumNode sum(int width, List<Edge.Wish> wishes, long latency) {
        return add(new SumNode(width, wishes, latency, blockFrames));
    }

    Node raw(Row row) {
        return point(row.id() + "/raw", () -> {
            Optional<List<Clip>> placed = row.placedAt(Station.RAW);
            if (placed.isPresent()) {
                return clips(placed.get());
            }
            if (row.kind().isPlayed()) {
                return played(row.playing(session).orElseThrow());
            }
            List<Edge.Wish> wishes = row.kind() == RowKind.RETURN ? sendsInto(row) : feeding(row);
            return sum(2, wishes, SumNode.latestOf(wishes));
        });
    }

    /** Rows at Raw, at unity and in the middle. */
    Node plainly(List<PlainSum.Share> shares) {
        List<Edge.Wish> wishes = new ArrayList<>();
        for (PlainSum.Share share : shares) {
            wishes.add(new Edge.Wish(raw(session.row(share.row()).orElseThrow()), 1, 1, share.sides()));
        }
        return sum(2, wishes, SumNode.latestOf(wishes));
    }

    /** What was rendered elsewhere for a station of a row, which the stations after it are made of. From Fader on it has two sides. */
    private Optional<Node> brought(Row row, Station station) {
        return row.strip()
                .broughtAt(station)
                .map(clips -> point(row.id() + "/brought " + station, () -> {
                    Node placed = clips(clips);
                    return placed.width == 2 || station.compareTo(Station.FADER) < 0
                            ? placed
                            : sum(2, List.of(new Edge.Wish(placed, 1)), placed.latency);
                }));
    }

    private Node clips(List<Clip> clips) {
        return add(new ClipNode(session, clips, recordings, kernels, curtain));
    }

    private Node played(Playing playing) {
        return add(new InstrumentNode(playing, session.song().timeline(), session.rate(), curtain));
    }

    /** Rows that feed a bus or the mix, each at its Fader, in the rows' order. */
    private List<Edge.Wish> feeding(Row target) {
        return session.rows().stream()
                .filter(row -> row.strip().outputs().contains(target.id()))
                .map(this::afterFader)
                .toList();
    }

    /**
     * A row after its fader, for a sum. While nothing moves the sum itself applies fader and pan, which saves writing the
     * panned block down; it is the same multiplication.
     */
    Edge.Wish afterFader(Row row) {
        if (!FaderNode.isStill(row.strip())
                || row.strip().broughtAt(Station.FADER).isPresent()) {
            return new Edge.Wish(fader(row), 1);
        }
        Node from = inserted(row);
        return new Edge.Wish(
                from,
                FaderNode.stillGain(from.width, row.strip(), session.panLaw(), 0),
                FaderNode.stillGain(from.width, row.strip(), session.panLaw(), 1));
    }

    private List<Edge.Wish> sendsInto(Row target) {
        List<Edge.Wish> wishes = new ArrayList<>();
        for (Row row : session.rows()) {
            wishes.addAll(sends(row, target, () -> new Edge.Wish(inserted(row), 1), () -> afterFader(row)));
        }
        return wishes;
    }

    static List<Edge.Wish> sends(Row row, Row target, Supplier<Edge.Wish> beforeFader, Supplier<Edge.Wish> afterFader) {
        List<Edge.Wish> wishes = new ArrayList<>();
        for (Send send : row.strip().sends()) {
            if (send.to().equals(target.id()) && send.levelDb() > Strip.SILENT_DB) {
                Edge.Wish from = send.from() == Send.From.BEFORE_FADER ? beforeFader.get() : afterFader.get();
                double level = Decibels.toFactor(send.levelDb());
                wishes.add(new Edge.Wish(from.from(), level * from.leftGain(), level * from.rightGain()));
            }
        }
        return wishes;
    }

    /** Raw plus clip inserts: clips with inserts go through them one by one and join the others again. */
    private Node withClipInserts(Row row) {
        if (row.clips().stream().allMatch(clip -> active(clip.inserts()).isEmpty())) {
            return raw(row);
        }
        return point(row.id() + "/clips", () -> {
            List<Edge.Wish> wishes = new ArrayList<>();
            List<Clip> plain = row.clips().stream()
                    .filter(clip -> active(clip.inserts()).isEmpty())
                    .toList();
            if (!plain.isEmpty()) {
                wishes.add(new Edge.Wish(clips(plain), 1));
            }
            for (int i = 0; i < row.clips().size(); i++) {
                Clip clip = row.clips().get(i);
                if (!active(clip.inserts()).isEmpty()) {
                    Node through = chain(row.id() + "/clip" + i, clips(List.of(clip)), clip.inserts(), Which.ALL);
                    wishes.add(new Edge.Wish(through, 1));
                }
            }
            int width =
                    wishes.stream().mapToInt(wish -> wish.from().width).max().orElse(1);
            return sum(width, wishes, SumNode.latestOf(wishes));
        });
    }

    static List<Insert> active(List<Insert> inserts) {
        return inserts.stream()
                .filter(insert -> insert.on() && Effects.find(insert.effect()).isPresent())
                .toList();
    }

    private Node shaped(Row row) {
        return brought(row, Station.SHAPED)
                .orElseGet(() -> chain(
                        row.id() + "/inserts", withClipInserts(row), row.strip().inserts(), Which.KEPT));
    }

    Node inserted(Row row) {
        return brought(row, Station.INSERTS)
                .or(() -> brought(row, Station.SHAPED)
                        .map(shaped -> chain(
                                row.id() + "/after shaped", shaped, row.strip().insertsAt(Station.INSERTS), Which.ALL)))
                .orElseGet(() -> chain(
                        row.id() + "/inserts", withClipInserts(row), row.strip().inserts(), Which.ALL));
    }

    private Node fader(Row row) {
        return brought(row, Station.FADER)
                .orElseGet(() -> point(row.id() + "/fader", () -> fader(inserted(row), row.strip())));
    }

    Node fader(Node before, Strip strip) {
        return FaderNode.isNeedless(before.width, strip)
                ? before
                : add(new FaderNode(before, strip, session.panLaw(), blockFrames));
    }

    /** A stream through inserts; the name of each point says which inserts it has been through, so prefixes are shared. */
    Node chain(String name, Node start, List<Insert> inserts, Which which) {
        Node at = start;
        StringBuilder path = new StringBuilder(name).append('/');
        for (int i = 0; i < inserts.size(); i++) {
            Insert insert = inserts.get(i);
            if (active(List.of(insert)).isEmpty() || which == Which.KEPT && !insert.kept()) {
                continue;
            }
            path.append(i).append(',');
            Node before = at;
            String here = path.toString();
            at = point(here, () -> {
                List<Node> units = run(insert, before);
                unitsOf.put(here, units);
                return units.get(units.size() - 1);
            });
        }
        return at;
    }

    List<Node> run(Insert insert, Node start) {
        Effect effect = Effects.find(insert.effect()).orElseThrow();
        Values values = new Values(insert.settings());
        Conditions place = place(start.width);
        List<Unit> units = effect.make(values, place);
        List<Node> made = new ArrayList<>();
        Node at = start;
        for (int k = 0; k < units.size(); k++) {
            boolean last = k == units.size() - 1;
            long tail = last ? effect.tailFrames(values, place) : 0;
            long gap = last ? effect.gapFrames(values, place) : 0;
            Unit unit = units.get(k);
            if (unit instanceof LinearUnit linear) {
                at = add(new LinearNode(at, linear, effect.width(at.width), tail, gap));
            } else if (unit instanceof ShaperUnit shaper) {
                at = add(new ShaperNode(at, shaper));
            } else {
                Optional<Node> key =
                        Optional.ofNullable(insert.key()).flatMap(session::row).map(this::inserted);
                long late = key.map(node -> node.latency).orElse(0L) - at.latency;
                if (late > 0) {
                    at = add(new DelayNode(at, late, blockFrames));
                    made.add(at);
                }
                long keyDelay = Math.max(0, -late);
                Edge edge = key.map(node -> new Edge(new Edge.Wish(node, 1), keyDelay, blockFrames))
                        .orElse(null);
                at = add(new GainNode(at, (GainUnit) unit, tail, edge, blockFrames));
            }
            made.add(at);
        }
        return made;
    }

    Conditions place(int width) {
        return new Conditions(session.rate(), session.song().timeline(), width);
    }

    int blockFrames() {
        return blockFrames;
    }

    /** The units with which {@code row} runs its insert {@code index}, made if they are not yet there. */
    List<Node> unitsOf(Row row, int index) {
        chain(row.id() + "/inserts", withClipInserts(row), row.strip().inserts().subList(0, index + 1), Which.ALL);
        StringBuilder path = new StringBuilder(row.id()).append("/inserts/");
        for (int i = 0; i <= index; i++) {
            if (!active(List.of(row.strip().inserts().get(i))).isEmpty()) {
                path.append(i).append(',');
            }
        }
        return unitsOf.get(path.toString());
    }
}
