package apodex.server;

import apodex.handoff.Plan;
import java.util.Locale;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/** Whether what a run prints fits on the disk of the data folder. */
@Component
public class DiskRoom {
    private final DataFolder dataFolder;
    private final long keptFree;

    /** @param keptFree what runs leave to the database, the log and everybody else */
    DiskRoom(DataFolder dataFolder, @Value("${apodex.keep-free}") DataSize keptFree) {
        this.dataFolder = dataFolder;
        this.keptFree = keptFree.toBytes();
    }

    /** Bytes that runs can fill. */
    public long free() {
        return Math.max(0, dataFolder.bytesFree() - keptFree);
    }

    /** What is wrong, in a sentence for people; empty when it fits. */
    public Optional<String> wrongFor(Plan plan) {
        long needed = plan.bytesOnDisk();
        long free = free();
        return needed <= free
                ? Optional.empty()
                : Optional.of("This run takes up to " + size(needed) + " on the disk, and " + size(free) + " are free: "
                        + size(needed - free) + " are missing. Remove what is no longer needed, or print less.");
    }

    /** What is wrong with a file of so many bytes that is to come, in a sentence for people; empty when it fits. */
    public Optional<String> wrongForArriving(long bytes) {
        long free = free();
        return bytes <= free
                ? Optional.empty()
                : Optional.of(
                        "It has " + size(bytes) + ", and " + size(free) + " are free on the disk of the data folder.");
    }

    /** So many bytes, for people. */
    public static String size(long bytes) {
        return bytes < 1_000_000_000
                ? String.format(Locale.ROOT, "%d MB", (bytes + 999_999) / 1_000_000)
                : String.format(Locale.ROOT, "%.1f GB", bytes / 1e9);
    }
}
