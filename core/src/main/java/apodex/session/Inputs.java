package apodex.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which rows are led to a row, muted or not: gathered once, where each row of a large session is asked. */
public final class Inputs {
    private final Map<String, List<Row>> byOutput = new HashMap<>();
    private final Map<String, List<Row>> all = new HashMap<>();

    public Inputs(Session session) {
        for (Row row : session.rows()) {
            for (String output : row.strip().outputs()) {
                put(byOutput, output, row);
                put(all, output, row);
            }
            for (Send send : row.strip().sends()) {
                put(all, send.to(), row);
            }
        }
    }

    private static void put(Map<String, List<Row>> inputs, String target, Row row) {
        List<Row> rows = inputs.computeIfAbsent(target, key -> new ArrayList<>());
        if (rows.isEmpty() || rows.get(rows.size() - 1) != row) { // a row that is led there twice is one
            rows.add(row);
        }
    }

    /** Rows one of whose outputs leads to a row, in the session's order. */
    public List<Row> byOutput(Row target) {
        return byOutput.getOrDefault(target.id(), List.of());
    }

    /** Rows that feed or send to a row, in the session's order. */
    public List<Row> of(Row target) {
        return all.getOrDefault(target.id(), List.of());
    }
}
