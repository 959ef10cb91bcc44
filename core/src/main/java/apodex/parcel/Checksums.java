package apodex.parcel;

import java.util.Map;
import java.util.stream.Collectors;

/** The text of {@code checksums.sha256}: a hash, two blanks and a path a line, as {@code sha256sum -c} reads it. */
public final class Checksums {
    public static final String FILE_NAME = "checksums.sha256";

    private Checksums() {}

    /** @param hashes path in the parcel to lower-case hex hash, in the order of the lines */
    public static String text(Map<String, String> hashes) {
        return hashes.entrySet().stream()
                .map(entry -> entry.getValue() + "  " + entry.getKey() + "\n")
                .collect(Collectors.joining());
    }
}
