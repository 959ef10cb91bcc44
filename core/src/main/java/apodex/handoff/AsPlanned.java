package apodex.handoff;

import apodex.session.AudioRow;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Strip;
import apodex.session.Take;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A session as a handoff sees it: inserts count as kept where the handoff says so, and takes that are printed beside the
 * chosen one are rows of their own that feed nothing. What the mix sounds like is not touched.
 */
public final class AsPlanned {
    private AsPlanned() {}

    /** The session without inserts that are taken out, and with a row of its own for each further take that is printed. */
    public static Session of(Session session, Handoff handoff) {
        List<Row> rows = new ArrayList<>();
        for (Row row : session.rows()) {
            Row seen = row.withStrip(row.strip()
                    .withInserts(
                            kept(row.strip().inserts(), handoff.row(row.id()).kept())));
            rows.add(seen);
            if (seen instanceof AudioRow audio) {
                for (Take take : takes(audio, handoff)) {
                    if (!take.id().equals(audio.active())) {
                        rows.add(new AudioRow(
                                rowOf(audio, take),
                                audio.name(),
                                List.of(take),
                                take.id(),
                                Strip.feeding(),
                                audio.about()));
                    }
                }
            }
        }
        return session.withRows(rows);
    }

    /** The takes that are printed at Raw, in the row's order. */
    static List<Take> takes(AudioRow row, Handoff handoff) {
        List<String> byHand = handoff.row(row.id()).takes();
        boolean all = byHand == null && handoff.settled().takes();
        return row.takes().stream()
                .filter(take -> byHand != null
                        ? byHand.contains(take.id())
                        : take.id().equals(row.active())
                                || all && take.clips().stream().anyMatch(clip -> !clip.muted()))
                .toList();
    }

    /** The row a take is printed from. */
    static String rowOf(AudioRow row, Take take) {
        return take.id().equals(row.active()) ? row.id() : row.id() + "/" + take.id();
    }

    private static List<Insert> kept(List<Insert> inserts, List<RowByHand.Kept> byHand) {
        if (byHand.isEmpty()) {
            return inserts;
        }
        Map<String, Integer> met = new HashMap<>();
        List<Insert> seen = new ArrayList<>();
        for (Insert insert : inserts) {
            int nth = met.merge(insert.effect(), 1, Integer::sum) - 1;
            boolean kept = byHand.stream()
                    .filter(each -> each.effect().equals(insert.effect()) && each.nth() == nth)
                    .map(RowByHand.Kept::kept)
                    .findFirst()
                    .orElse(insert.kept());
            seen.add(new Insert(insert.effect(), insert.settings(), insert.key(), kept, insert.on(), insert.said()));
        }
        return seen;
    }
}
