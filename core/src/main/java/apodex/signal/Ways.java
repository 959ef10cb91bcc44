package apodex.signal;

import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Strip;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Every way that sound can take through a session, told as numbers.
 *
 * <p>Each connection, an output or a send, stands for a fixed random number; a way is the product of its connections, and all
 * ways from one place to another are the sum of their products, modulo the prime 2^61 - 1. There can be far too many ways to
 * list, but two sums are equal only where the ways are the same (but for a chance of about 1 in 10^18), so what a file carries
 * can be held against what the mix is made of, exactly and row by row. Connections through which nothing can come, of a muted
 * row or a shut fader, stand for 0.
 *
 * <p>The engine takes its own ways from here as well ({@link #senders}, {@link #through}).
 */
public final class Ways {
    private static final long PRIME = (1L << 61) - 1;

    private final List<Row> rows;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<List<Connection>> from = new ArrayList<>();
    /** Rows in an order in which each comes after everything that hears it. */
    private final int[] backwards;

    /** Whether anything can come through a row's fader. */
    private final boolean[] isOpen;

    private final int mix;
    private final long[] byOutputs;
    private final List<List<Row>> senders;
    private final Map<Integer, List<Row>> through = new HashMap<>();

    /** A connection of one row to another. @param tap null for an output */
    private record Connection(int to, Send.From tap, long value) {}

    /** @param session without loops */
    public Ways(Session session) {
        this.rows = session.rows();
        for (int i = 0; i < rows.size(); i++) {
            places.put(rows.get(i).id(), i);
        }
        this.mix = places.get(session.mix().id());
        this.isOpen = new boolean[rows.size()];
        for (int i = 0; i < rows.size(); i++) {
            isOpen[i] = rows.get(i).strip().isOpen();
            from.add(connections(rows.get(i)));
        }
        this.backwards = backwards();
        this.byOutputs = to(mix, false);
        this.senders = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            senders.add(new ArrayList<>(List.of(rows.get(i))));
        }
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).kind() != RowKind.RETURN) {
                for (int bus : busesAround(i)) {
                    senders.get(bus).add(rows.get(i));
                }
            }
        }
    }

    private List<Connection> connections(Row row) {
        List<Connection> connections = new ArrayList<>();
        for (String output : row.strip().outputs()) {
            if (places.containsKey(output)) {
                connections.add(new Connection(places.get(output), null, value(row.id() + ">" + output)));
            }
        }
        int number = 0;
        for (Send send : row.strip().sends()) {
            if (places.containsKey(send.to()) && send.levelDb() > Strip.SILENT_DB) {
                connections.add(
                        new Connection(places.get(send.to()), send.from(), value(row.id() + "~" + number + send.to())));
            }
            number++;
        }
        return connections;
    }

    /** A fixed number between 1 and the prime for a name: FNV-1a, then SplitMix64's finish. */
    private static long value(String name) {
        long hash = 0xCBF29CE484222325L;
        for (char c : name.toCharArray()) {
            hash = (hash ^ c) * 0x100000001B3L;
        }
        hash = (hash ^ hash >>> 30) * 0xBF58476D1CE4E5B9L;
        hash = (hash ^ hash >>> 27) * 0x94D049BB133111EBL;
        return 1 + Long.remainderUnsigned(hash ^ hash >>> 31, PRIME - 1);
    }

    private int[] backwards() {
        int[] order = new int[rows.size()];
        boolean[] seen = new boolean[rows.size()];
        int[] count = {0};
        for (int i = 0; i < rows.size(); i++) {
            visit(i, seen, order, count);
        }
        return order;
    }

    private void visit(int row, boolean[] seen, int[] order, int[] count) {
        if (!seen[row]) {
            seen[row] = true;
            from.get(row).forEach(connection -> visit(connection.to, seen, order, count));
            order[count[0]++] = row;
        }
    }

    /** The buses a row is in: its first output, that one's first output, and so on. */
    private List<Integer> busesAround(int row) {
        List<Integer> around = new ArrayList<>();
        int at = row;
        while (around.size() <= rows.size() && !rows.get(at).strip().outputs().isEmpty()) {
            Integer next = places.get(rows.get(at).strip().outputs().get(0));
            if (next == null || rows.get(next).kind() != RowKind.BUS) {
                break;
            }
            around.add(next);
            at = next;
        }
        return around;
    }

    /** Whether nothing of a row comes to the mix by its outputs. */
    public boolean onlySends(Row row) {
        return afterInserts(place(row), byOutputs, false) == 0;
    }

    /** The place of a row among the session's rows; shares are told in this order. */
    public int place(Row row) {
        return places.get(row.id());
    }

    /**
     * Rows whose sends a row takes along when returns are shared out: itself, and of a bus the rows in it, since they come with it in
     * one file. A row that feeds several buses is in the first of them; a return is in none: what it sends on is in the shares of those
     * that sent to it.
     */
    public List<Row> senders(Row row) {
        return senders.get(place(row));
    }

    /**
     * Every row that a row's share passes on its way to the mix, the mix included, itself not: what comes back to it by a return is in
     * its own sound already.
     */
    public List<Row> through(Row row, Returns returns) {
        return through.computeIfAbsent(2 * place(row) + (returns == Returns.SHARED_OUT ? 1 : 0), key -> {
            Set<Integer> seen = new LinkedHashSet<>();
            List<Integer> queue = new ArrayList<>();
            boolean shared = returns == Returns.SHARED_OUT;
            next(place(row), shared, queue);
            if (shared) {
                senders(row).forEach(sender -> from.get(place(sender)).stream()
                        .filter(each -> each.tap != null)
                        .forEach(each -> queue.add(each.to)));
            }
            for (int i = 0; i < queue.size(); i++) {
                int at = queue.get(i);
                if (at != place(row) && seen.add(at)) {
                    next(at, shared, queue);
                }
            }
            return seen.stream().map(rows::get).toList();
        });
    }

    private void next(int row, boolean withSends, List<Integer> into) {
        from.get(row).stream().filter(each -> withSends || each.tap == null).forEach(each -> into.add(each.to));
    }

    /**
     * Rows of which a file carries something that passes another row on its way to the mix.
     *
     * @return for every row in its place
     */
    public boolean[] passing(Row other, Returns returns) {
        boolean shared = returns == Returns.SHARED_OUT;
        long[] at = to(place(other), shared);
        boolean[] passing = new boolean[at.length];
        for (int i = 0; i < at.length; i++) {
            passing[i] = i != place(other)
                    && (afterInserts(i, at, shared) != 0
                            || shared && senders.get(i).stream().anyMatch(sender -> sent(place(sender), at) != 0));
        }
        return passing;
    }

    /**
     * What the reference mix is made of.
     *
     * @return for every row in its place, all ways from behind its inserts to the mix; 0 where there is none
     */
    public long[] ofMix() {
        return behindInserts(to(mix, true), true);
    }

    /**
     * What a file of a row carries into the mix, taken where nothing more happens to it.
     *
     * @return for every row in its place, the ways from behind its inserts to the mix that lead through the file
     */
    public long[] share(Row row, Returns returns) {
        int own = place(row);
        long[] into = row.kind() == RowKind.MIX ? ofMix() : behindInserts(to(own, true), true);
        if (row.kind() == RowKind.MIX) {
            return into;
        }
        into[own] = 1;
        boolean shared = returns == Returns.SHARED_OUT;
        long onwards = afterInserts(own, to(mix, shared), shared);
        long[] share = new long[rows.size()];
        for (int i = 0; i < share.length; i++) {
            share[i] = times(into[i], onwards);
        }
        if (shared) {
            long[] beside = beside(own);
            for (Row sender : senders(row)) {
                if (place(sender) != own) {
                    addSends(place(sender), beside, share);
                }
            }
        }
        return share;
    }

    private long sent(int sender, long[] at) {
        long sent = 0;
        for (Connection each : from.get(sender)) {
            if (each.tap != null && (each.tap == Send.From.BEFORE_FADER || isOpen[sender])) {
                sent = plus(sent, times(each.value, at[each.to]));
            }
        }
        return sent;
    }

    /** What a sender in a bus sends past it. */
    private void addSends(int sender, long[] beside, long[] share) {
        long sent = sent(sender, beside);
        if (sent == 0) {
            return;
        }
        long[] into = behindInserts(to(sender, true), true);
        into[sender] = 1;
        for (int i = 0; i < share.length; i++) {
            share[i] = plus(share[i], times(into[i], sent));
        }
    }

    /**
     * By row, the ways to the mix that lead neither through a bus nor over a send of what is in it: each way that is sent past the bus
     * counts once, where it is sent last.
     */
    private long[] beside(int bus) {
        Set<Integer> members = new HashSet<>();
        senders.get(bus).forEach(sender -> members.add(place(sender)));
        long[] at = new long[rows.size()];
        for (int row : backwards) {
            at[row] = row == mix ? 1 : row == bus ? 0 : afterInserts(row, at, !members.contains(row));
        }
        return at;
    }

    /** By row, all ways from its inputs to the inputs of a target. */
    private long[] to(int target, boolean withSends) {
        long[] at = new long[rows.size()];
        for (int row : backwards) {
            at[row] = row == target ? 1 : afterInserts(row, at, withSends);
        }
        return at;
    }

    private long[] behindInserts(long[] at, boolean withSends) {
        long[] ways = new long[rows.size()];
        Arrays.setAll(ways, row -> afterInserts(row, at, withSends));
        return ways;
    }

    private long afterInserts(int row, long[] at, boolean withSends) {
        long sum = 0;
        for (Connection each : from.get(row)) {
            boolean comes = each.tap == Send.From.BEFORE_FADER || isOpen[row];
            if (comes && (withSends || each.tap == null)) {
                sum = plus(sum, times(each.value, at[each.to]));
            }
        }
        return sum;
    }

    /** The sum of two such numbers. */
    public static long plus(long one, long other) {
        long sum = one + other;
        return sum >= PRIME ? sum - PRIME : sum;
    }

    private static long times(long one, long other) {
        long high = Math.multiplyHigh(one, other);
        long low = one * other;
        long sum = (low & PRIME) + (low >>> 61 | high << 3);
        sum = (sum & PRIME) + (sum >>> 61);
        return sum >= PRIME ? sum - PRIME : sum;
    }
}
