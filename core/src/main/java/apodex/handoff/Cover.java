package apodex.handoff;

import apodex.session.BusRow;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.signal.Returns;
import apodex.signal.Ways;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Rows that together are the mix, each way into it in one of them: as near to the mix as can be. Where a row of the set runs into
 * another of it, its sound would be there twice; the later one is then replaced by what feeds it.
 */
public final class Cover {
    private final Outgoing outgoing;
    private final Predicate<Row> has;
    private final Set<Row> rows = new LinkedHashSet<>();
    private final Set<Row> without = new LinkedHashSet<>();
    private final Set<Row> replaced = new LinkedHashSet<>();

    private Cover(Outgoing outgoing, Predicate<Row> has) {
        this.outgoing = outgoing;
        this.has = has;
    }

    /** @param has the rows that may be in it; a bus that may not is replaced by what feeds it */
    public static Cover of(Outgoing outgoing, Predicate<Row> has) {
        Cover cover = new Cover(outgoing, has);
        cover.outgoing.feeding(outgoing.session().mix()).forEach(cover::put);
        Row twice;
        do {
            cover.putSendersOnTheirOwn();
            twice = cover.runsIntoAnother();
            if (twice != null) {
                cover.replace(twice);
            }
        } while (twice != null);
        return cover;
    }

    /** The rows, in the session's order. */
    public List<Row> rows() {
        return outgoing.session().rows().stream().filter(rows::contains).toList();
    }

    /** Rows that belong in it and may not be, in the session's order. */
    public List<Row> without() {
        return outgoing.session().rows().stream().filter(without::contains).toList();
    }

    private void put(Row row) {
        if (replaced.contains(row)) {
            outgoing.feeding(row).forEach(this::put);
        } else if (outgoing.isSharedOut(row) || !outgoing.reachesMix(row) && !(row instanceof BusRow)) {
            return;
        } else if (has.test(row)) {
            rows.add(row);
        } else if (row instanceof BusRow) {
            outgoing.feeding(row).forEach(this::put);
        } else {
            without.add(row);
        }
    }

    private void replace(Row bus) {
        rows.remove(bus);
        replaced.add(bus);
        outgoing.feeding(bus).forEach(this::put);
    }

    /** When returns are shared out, what a row sends past all files goes into one of its own. */
    private void putSendersOnTheirOwn() {
        if (outgoing.sharing().returns() != Returns.SHARED_OUT) {
            return;
        }
        Ways ways = outgoing.ways();
        for (Row row : outgoing.session().rows()) {
            boolean sends = !(row instanceof ReturnRow) && !row.strip().sends().isEmpty();
            if (sends
                    && outgoing.reachesMix(row)
                    && rows.stream().noneMatch(each -> ways.senders(each).contains(row))) {
                put(row);
            }
        }
    }

    private Row runsIntoAnother() {
        List<Row> inside = new ArrayList<>(rows);
        for (Row later : inside) {
            if (later instanceof BusRow
                    && inside.stream()
                            .anyMatch(row -> !row.equals(later)
                                    && outgoing.ways()
                                            .passes(
                                                    row,
                                                    later,
                                                    outgoing.sharing().returns()))) {
                return later;
            }
        }
        return null;
    }
}
