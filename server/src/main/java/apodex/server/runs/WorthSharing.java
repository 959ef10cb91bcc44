package apodex.server.runs;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * Whether printing a part of a run on another node is worth it: what is printed there goes to the store, and comes back before it goes there
 * for good.
 */
@Component
class WorthSharing {
    private final double leastSeconds;
    private final DataSize pace;

    /**
     * @param leastSeconds that it takes: below, asking for it costs more than it saves
     * @param pace         bytes a second: what is printed faster is sooner printed than moved
     */
    WorthSharing(
            @Value("${apodex.share-from-seconds}") double leastSeconds,
            @Value("${apodex.share-below-per-second}") DataSize pace) {
        this.leastSeconds = leastSeconds;
        this.pace = pace;
    }

    /**
     * @param seconds that printing the part is expected to take
     * @param bytes   of its files
     */
    boolean is(double seconds, long bytes) {
        return seconds >= leastSeconds && bytes <= seconds * pace.toBytes();
    }
}
