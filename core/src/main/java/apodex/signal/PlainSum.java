package apodex.signal;

import java.nio.file.Path;
import java.util.List;

/**
 * Rows at Raw laid together plainly, at unity and in the middle, written along with a walk's files: what those must be together.
 *
 * @param shares each row once
 * @param file   32-bit float, stereo, as long as the others; must not exist
 */
public record PlainSum(List<Share> shares, Path file) {
    public PlainSum {
        shares = List.copyOf(shares);
    }

    /** What of a row. */
    public enum Sides {
        /** Both, or all there is of a mono row on both. */
        BOTH,
        /** The left one for both, since they are alike. */
        LEFT_FOR_BOTH
    }

    /** A row's part in it. */
    public record Share(String row, Sides sides) {}
}
