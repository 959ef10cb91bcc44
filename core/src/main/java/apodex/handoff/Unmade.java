package apodex.handoff;

import apodex.measure.StereoImage;
import apodex.session.Brought;
import apodex.session.Insert;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.signal.MeasuredRecordings;
import apodex.signal.UnreadableRecording;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Rows that cannot be printed, since a recording they or what feeds them are made of cannot be read. All others can: one missing file
 * does not hold up a session.
 */
final class Unmade {
    private final Session session;
    /** By row: a sentence about why. */
    private final Map<String, String> why = new LinkedHashMap<>();

    /** @param images is given what the sides of every row with clips are like at Raw, where that can be read */
    Unmade(Session session, MeasuredRecordings recordings, Map<String, StereoImage> images) {
        this.session = session;
        for (Row row : session.rows()) {
            try {
                StereoImage image = RowImage.measure(session, row.clips(), recordings);
                for (Brought brought : row.strip().brought()) {
                    RowImage.measure(session, brought.clips(), recordings);
                }
                if (row.kind() == RowKind.AUDIO) {
                    images.put(row.id(), image);
                }
            } catch (UnreadableRecording e) {
                why.put(row.id(), e.getMessage());
            }
        }
        Map.copyOf(why).forEach(this::spread);
    }

    /** What a row is in cannot be made either, nor what listens to it. */
    private void spread(String id, String because) {
        Row row = session.row(id).orElseThrow();
        for (Row later : Routing.downstream(session, row, Routing.Through.OUTPUTS_AND_SENDS)) {
            spreadTo(later, because);
        }
        for (Row other : session.rows()) {
            for (Insert insert : other.strip().inserts()) {
                if (id.equals(insert.key()) && insert.on()) {
                    spreadTo(other, because);
                }
            }
        }
    }

    private void spreadTo(Row row, String because) {
        if (why.putIfAbsent(row.id(), because) == null) {
            spread(row.id(), because);
        }
    }

    /** Why a row cannot be printed; empty when it can. */
    Optional<String> why(Row row) {
        return Optional.ofNullable(why.get(row.id()));
    }

    boolean isEmpty() {
        return why.isEmpty();
    }
}
