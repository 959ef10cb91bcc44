package apodex.handoff;

import apodex.session.Row;
import apodex.session.RowKind;
import apodex.signal.Returns;
import apodex.signal.Ways;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Rows that together are the mix, each way into it in one of them: as near to the mix as can be. Where a row of the set runs into
 * another of it, its sound would be there twice; the later one is then replaced by what feeds it.
 */
public final class Cover {
    private final Outgoing outgoing;
    private final Predicate<Row> has;
    /** By their ids, as all of these. */
    private final Map<String, Row> rows = new LinkedHashMap<>();

    private final Set<String> without = new HashSet<>();
    private final Set<String> replaced = new HashSet<>();

    private Cover(Outgoing outgoing, Predicate<Row> has) {
        this.outgoing = outgoing;
        this.has = has;
    }

    /** @param has the rows that may be in it; a bus that may not is replaced by what feeds it */
    public static Cover of(Outgoing outgoing, Predicate<Row> has) {
        Cover cover = new Cover(outgoing, has);
        outgoing.feeding(outgoing.session().mix()).forEach(cover::put);
        Row twice;
        do {
            cover.putSendersOnTheirOwn();
            cover.dropCarried();
            twice = cover.runInto();
            if (twice != null) {
                cover.replace(twice);
            }
        } while (twice != null);
        return cover;
    }

    /** The rows, in the session's order. */
    public List<Row> rows() {
        return outgoing.session().rows().stream()
                .filter(row -> rows.containsKey(row.id()))
                .toList();
    }

    /** Rows that belong in it and may not be, in the session's order. */
    public List<Row> without() {
        return outgoing.session().rows().stream()
                .filter(row -> without.contains(row.id()))
                .toList();
    }

    private void put(Row row) {
        if (replaced.contains(row.id())) {
            outgoing.feeding(row).forEach(this::put);
        } else if (outgoing.isSharedOut(row) || !outgoing.reachesMix(row)) {
            return;
        } else if (has.test(row)) {
            rows.put(row.id(), row);
        } else if (row.kind() == RowKind.BUS) {
            outgoing.feeding(row).forEach(this::put);
        } else {
            without.add(row.id());
        }
    }

    private void replace(Row bus) {
        rows.remove(bus.id());
        replaced.add(bus.id());
        outgoing.feeding(bus).forEach(this::put);
    }

    /** When returns are shared out, what a row sends past all files goes into one of its own. */
    private void putSendersOnTheirOwn() {
        if (outgoing.sharing().returns() != Returns.SHARED_OUT) {
            return;
        }
        Ways ways = outgoing.ways();
        Set<String> carried = new HashSet<>();
        rows.values().forEach(row -> ways.senders(row).forEach(sender -> carried.add(sender.id())));
        for (Row row : outgoing.session().rows()) {
            boolean sends = row.kind() != RowKind.RETURN && !row.strip().sends().isEmpty();
            if (sends && !carried.contains(row.id()) && outgoing.reachesMix(row)) {
                put(row);
            }
        }
    }

    /** What only sends, being shut or in a bus that is, needs no file when it is in a group of the set: its sends come with the group. */
    private void dropCarried() {
        if (outgoing.sharing().returns() != Returns.SHARED_OUT) {
            return;
        }
        for (Row group : List.copyOf(rows.values())) {
            for (Row sender : outgoing.ways().senders(group)) {
                if (!sender.id().equals(group.id()) && outgoing.ways().onlySends(sender)) {
                    rows.remove(sender.id());
                    without.remove(sender.id());
                }
            }
        }
    }

    /** A bus of the set that another of it runs into; null when there is none. */
    private Row runInto() {
        for (Row later : rows.values()) {
            if (later.kind() == RowKind.BUS) {
                boolean[] passing =
                        outgoing.ways().passing(later, outgoing.sharing().returns());
                if (rows.values().stream().anyMatch(row -> passing[outgoing.place(row)])) {
                    return later;
                }
            }
        }
        return null;
    }
}
