package apodex.intake;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Comparator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** In which order rows are laid out. */
public enum RowsInOrder {
    /** As the numbers in their names count them; those without one come after. */
    @JsonProperty("asNumbered")
    AS_NUMBERED(Comparator.comparingInt((IntakeFile file) -> file.number() == 0 ? Integer.MAX_VALUE : file.number())),
    @JsonProperty("byRole")
    BY_ROLE(Comparator.comparing((IntakeFile file) -> file.seat().role())),
    @JsonProperty("byName")
    BY_NAME(Comparator.comparing((IntakeFile file) -> key(file.seat().row()))),
    @JsonProperty("asTheyCame")
    AS_THEY_CAME((a, b) -> 0);

    private static final Pattern DIGITS = Pattern.compile("\\d{1,9}");

    private final Comparator<IntakeFile> comparator;

    RowsInOrder(Comparator<IntakeFile> comparator) {
        this.comparator = comparator;
    }

    /** Keeps the order of files that are as good as each other. */
    Comparator<IntakeFile> comparator() {
        return comparator;
    }

    /** A name under which 2 comes before 10. */
    private static String key(String name) {
        Matcher matcher = DIGITS.matcher(name.toLowerCase(java.util.Locale.ROOT));
        return matcher.replaceAll(found -> String.format("%09d", Long.parseLong(found.group())));
    }
}
