package apodex.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/** Sees to it that one server alone works on a data folder. The system lets go of it by itself when the process ends, however it ends. */
final class FolderLock {
    private final FileChannel channel;

    private FolderLock(FileChannel channel) {
        this.channel = channel;
    }

    /** @throws CannotStart when another server has the folder; the message says so */
    static FolderLock of(Path root) {
        Path file = root.resolve("lock");
        try {
            FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            if (!isLocked(channel)) {
                channel.close();
                throw new CannotStart(
                        "Another Apodex works on the data folder " + root
                                + " already. Stop it (./apodex stop), or set APODEX_DATA to another folder.",
                        null);
            }
            // who stops the server of this folder finds it by this, never one that was refused here
            Files.writeString(
                    root.resolve("apodex.pid"), ProcessHandle.current().pid() + System.lineSeparator());
            return new FolderLock(channel);
        } catch (IOException e) {
            throw new CannotStart("The data folder " + root + " cannot be written to: " + e.getMessage() + ".", e);
        }
    }

    /** Nothing where another server has the folder. */
    static Optional<FolderLock> ifFree(Path root) {
        try {
            FileChannel channel =
                    FileChannel.open(root.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            if (isLocked(channel)) {
                return Optional.of(new FolderLock(channel));
            }
            channel.close();
            return Optional.empty();
        } catch (IOException e) {
            throw new CannotStart("The data folder " + root + " cannot be written to: " + e.getMessage() + ".", e);
        }
    }

    private static boolean isLocked(FileChannel channel) throws IOException {
        try {
            FileLock lock = channel.tryLock();
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false; // held in this very process
        }
    }

    void release() {
        try {
            channel.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
