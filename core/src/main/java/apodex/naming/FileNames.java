package apodex.naming;

import apodex.session.Session;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/**
 * Gives out the file names of one parcel, put together as the style says; no two alike on any system.
 * Make a new one for every plan.
 */
public final class FileNames {
    private final Session session;
    private final NameStyle style;
    private final int digits;
    private final Set<String> taken = new HashSet<>();

    /** @param highestNumber the largest number that will be asked for; decides the number of digits */
    public FileNames(Session session, NameStyle style, int highestNumber) {
        this.session = session;
        this.style = style;
        this.digits = Math.max(2, Integer.toString(highestNumber).length());
    }

    /** A name that no style touches, for what has one of its own; a second of the same gets {@code (2)} and so on. */
    public String own(String stem, String ending) {
        return free(SafeName.of(stem), ending);
    }

    /** For example {@code 03_Tuba_Dry.wav}; a name already given gets {@code (2)} and so on. */
    public String next(int number, String group, String row, String what, String ending) {
        return next(number, group, row, "", what, NameStyle.Side.BOTH, ending);
    }

    /**
     * For example {@code 03_Tuba Take 2_Dry.L.wav}.
     *
     * @param marks what must stay behind the row's name when it is cut, with a blank before; may be empty
     */
    public String next(
            int number, String group, String row, String marks, String what, NameStyle.Side side, String ending) {
        String written = String.format(Locale.ROOT, "%0" + digits + "d", number);
        String stem = style.join(new NameParts(session, written, group, row, marks, what, side));
        return free(stem, ending);
    }

    private String free(String stem, String ending) {
        String name = stem + ending;
        for (int copy = 2; !taken.add(SafeName.clashKey(name)); copy++) {
            name = stem + " (" + copy + ")" + ending;
        }
        return name;
    }
}
