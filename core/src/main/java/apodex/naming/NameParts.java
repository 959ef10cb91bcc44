package apodex.naming;

import apodex.session.Key;
import apodex.session.Session;
import java.util.Locale;

/**
 * What the parts of one file's name are.
 *
 * @param session the song's facts
 * @param number  the row's number, with leading zeros
 * @param group   name of the bus it feeds; empty for none
 * @param row     the row's name
 * @param marks   what must stay behind it when it is cut, with a blank before: its take, the side it sits on; may be empty
 * @param what    what the file is; empty when nothing needs to be said
 * @param side    which side of a row that is split
 */
public record NameParts(
        Session session, String number, String group, String row, String marks, String what, NameStyle.Side side) {
    String of(NameStyle.Part part, NameStyle style) {
        return switch (part) {
            case NUMBER -> number;
            case SONG -> SafeName.of(session.song().title());
            case GROUP -> group.isEmpty() ? "" : SafeName.of(group);
            case ROW -> SafeName.of(row);
            case WHAT -> what;
            case VERSION -> style.version();
            case TEMPO -> session.song().tempo() == null ? "" : session.song().tempoLabel() + "bpm";
            case KEY -> session.song().key() == null ? "" : key(session.song().key());
            case DATE -> session.originated() == null ? "" : session.originated();
        };
    }

    /** {@code Gmaj}, {@code F#min}: signs that every system has. */
    static String key(Key key) {
        String mode = key.mode();
        return key.plainTonic() + mode.substring(0, Math.min(3, mode.length())).toLowerCase(Locale.ROOT);
    }
}
