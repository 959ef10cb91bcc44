package apodex.server.sessions;

import jakarta.annotation.Nullable;
import java.time.Instant;

/**
 * A session as the home page shows it.
 *
 * @param rowCount     rows, the mix not counted
 * @param lastParcelAt when its last parcel was packed; null when none was
 */
public record ShelfEntry(
        String id,
        String title,
        String artist,
        int rowCount,
        long frames,
        int rate,
        Instant changedAt,
        @Nullable Instant lastParcelAt) {}
