package apodex.proof;

import apodex.handoff.Excerpt;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;

/**
 * What was read back of a file that was cut out of a recording.
 *
 * @param path    in the parcel
 * @param bytes   size of the file
 * @param sha256  of the whole file
 * @param crc32   of the whole file (IEEE 802.3)
 * @param against whether it was held against the recording; not where that is not here any more
 * @param trouble what is wrong with it, in a sentence; null when nothing is
 */
public record EditProof(String path, long bytes, String sha256, long crc32, boolean against, @Nullable String trouble) {
    static EditProof unread(Excerpt excerpt, String why) {
        return new EditProof(excerpt.path(), 0, "", 0, false, why);
    }

    /** Whether it can go out: it was read, whatever it holds. */
    @JsonIgnore
    public boolean isWhole() {
        return !sha256.isEmpty();
    }
}
