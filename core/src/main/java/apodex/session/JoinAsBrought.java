package apodex.session;

import java.util.ArrayList;
import java.util.List;

/**
 * Makes of two rows one: what is heard on an audio row becomes what was rendered elsewhere for a station of another, and the row goes.
 *
 * @param row     the one that stays
 * @param wet     the one that goes
 * @param station whose sound it is
 */
public record JoinAsBrought(String row, String wet, Station station) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Row stays = SessionEdit.row(session, row);
        if (row.equals(wet)
                || !(SessionEdit.row(session, wet) instanceof AudioRow goes)
                || goes.clips().isEmpty()) {
            throw new EditRefused("wet", "Only what lies on another audio row can stand for a station of a row.");
        }
        List<Brought> brought = new ArrayList<>(stays.strip().brought().stream()
                .filter(each -> each.station() != station)
                .toList());
        brought.add(new Brought(station, goes.clips()));
        return new SetBrought(row, brought).change(new RemoveRow(wet).change(session));
    }

    @Override
    public String describe(Session before) {
        return "Take " + SessionEdit.named(before, wet) + " as " + SessionEdit.named(before, row) + " at "
                + station.label();
    }
}
