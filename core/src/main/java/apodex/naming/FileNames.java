package apodex.naming;

import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/**
 * Gives out the file names of one parcel: number, row name, ending; no two alike on any system.
 * Make a new one for every plan.
 */
public final class FileNames {
    private final int digits;
    private final Set<String> taken = new HashSet<>();

    /** @param highestNumber the largest number that will be asked for; decides the number of digits */
    public FileNames(int highestNumber) {
        this.digits = Math.max(2, Integer.toString(highestNumber).length());
    }

    /** For example {@code 03_Tuba.wav}; a name already given gets {@code (2)} and so on. */
    public String next(int number, String rowName, String ending) {
        String stem = String.format(Locale.ROOT, "%0" + digits + "d_%s", number, SafeName.of(rowName));
        String name = stem + ending;
        for (int copy = 2; !taken.add(SafeName.clashKey(name)); copy++) {
            name = stem + " (" + copy + ")" + ending;
        }
        return name;
    }
}
