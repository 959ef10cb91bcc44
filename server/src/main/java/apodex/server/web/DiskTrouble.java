package apodex.server.web;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Optional;
import java.util.Set;

/** What is wrong with the disk itself, in a sentence for people, where that is why something could not be written. */
public final class DiskTrouble {
    /** MariaDB's words for a disk without room: ER_DISK_FULL, ER_RECORD_FILE_FULL. */
    private static final Set<Integer> FULL = Set.of(1021, 1114);

    private DiskTrouble() {}

    /** Empty when something else is the reason. */
    public static Optional<String> in(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof IOException trouble && sentence(trouble) != null) {
                return Optional.of(sentence(trouble));
            }
            if (cause instanceof SQLException database && FULL.contains(database.getErrorCode())) {
                return Optional.of("The disk is full.");
            }
        }
        return Optional.empty();
    }

    private static String sentence(IOException e) {
        String reason = String.valueOf(e instanceof FileSystemException fs ? fs.getReason() : e.getMessage());
        if (reason.contains("No space left")) { // strerror(ENOSPC), which is all that Java passes on
            return "The disk is full.";
        }
        if (e instanceof AccessDeniedException denied) {
            return "Apodex has no permission for the folder " + folder(denied.getFile()) + ".";
        }
        if (reason.contains("Permission denied")) {
            return "Apodex has no permission for the data folder.";
        }
        if (reason.contains("Read-only file system")) {
            return "The disk of the data folder can only be read.";
        }
        return null;
    }

    private static String folder(String file) {
        Path parent = Path.of(file).toAbsolutePath().getParent();
        return "“" + (parent == null ? file : parent.getFileName() == null ? parent : parent.getFileName())
                + "” of the data folder";
    }
}
