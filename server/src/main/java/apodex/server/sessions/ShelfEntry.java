package apodex.server.sessions;

import apodex.server.access.Right;
import jakarta.annotation.Nullable;
import java.time.Instant;

/**
 * A session as the home page shows it.
 *
 * @param rowCount     rows, the mix not counted
 * @param recordingBytes of its recordings on the disk; other sessions may use the same
 * @param printedBytes   of all files its runs printed
 * @param parcels        runs that are done
 * @param lastParcelAt   when its last parcel was packed; null when none was
 * @param may            what whoever asks may do with it
 * @param owner          name of whose it is
 */
public record ShelfEntry(
        String id,
        String title,
        String artist,
        int rowCount,
        long frames,
        int rate,
        Instant changedAt,
        long recordingBytes,
        long printedBytes,
        int parcels,
        @Nullable Instant lastParcelAt,
        Right may,
        String owner) {
    ShelfEntry withRecordings(long bytes) {
        return new ShelfEntry(
                id,
                title,
                artist,
                rowCount,
                frames,
                rate,
                changedAt,
                bytes,
                printedBytes,
                parcels,
                lastParcelAt,
                may,
                owner);
    }
}
