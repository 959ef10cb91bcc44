package apodex.intake;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/**
 * A place that the stores of several machines share: what one takes in, all have. A store with one keeps on its own disk no more than
 * what is in use. What lies there never changes; only the scan comes later.
 */
public interface Elsewhere {
    /** Whether a recording lies there. Asked for every clip of every plan, so the answer may be seconds old. */
    boolean has(String sha256);

    /**
     * Brings the files of a recording.
     *
     * @param into an empty folder
     * @throws java.io.FileNotFoundException when there is none
     */
    void fetch(String sha256, Path into) throws IOException;

    /**
     * Brings the overview of a recording alone.
     *
     * @param to where it is written
     * @throws java.io.FileNotFoundException when there is none
     */
    void fetchOverview(String sha256, Path to) throws IOException;

    /** Sees to it that a recording lies there; nothing happens when it does. Returns when everybody can have it. */
    void keep(String sha256, List<Path> files) throws IOException;

    /** Whether it is known there what is in every sample of a recording. */
    boolean isScanned(String sha256);

    /** Brings a scan. @param to where it is written */
    void fetchScan(String sha256, Path to) throws IOException;

    void keepScan(String sha256, Path scan) throws IOException;

    /** Bytes that a recording takes there; 0 when it is not. */
    long bytes(String sha256);
}
