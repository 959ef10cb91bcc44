package apodex.intake;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;

/**
 * What came, held against the checksums that came with it.
 *
 * @param song     and for whom it was made, where a manifest says so; else empty
 * @param receiver for whom it was made; else empty
 * @param verified how many files are, bit for bit, what they were
 * @param missing  files that are named and did not come
 * @param altered  files that are not what they were
 * @param extra    recordings that no list names
 */
public record ParcelCheck(
        String song, String receiver, int verified, List<String> missing, List<String> altered, List<String> extra) {
    public ParcelCheck {
        missing = List.copyOf(missing);
        altered = List.copyOf(altered);
        extra = List.copyOf(extra);
    }

    /** Whether everything that was sent is here as it was. */
    @JsonIgnore
    public boolean isWhole() {
        return missing.isEmpty() && altered.isEmpty();
    }
}
