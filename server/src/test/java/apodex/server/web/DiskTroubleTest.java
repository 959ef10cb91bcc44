package apodex.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class DiskTroubleTest {
    /** The device that is always full, as the system itself says it. */
    private static final Path FULL = Path.of("/dev/full");

    @Test
    void aFullDiskIsKnownByWhatTheSystemSays() {
        assumeTrue(Files.isWritable(FULL));
        Throwable full = catchThrowable(() -> Files.write(FULL, new byte[] {1}));
        assertThat(DiskTrouble.in(new IllegalStateException(new UncheckedIOException((IOException) full))))
                .contains("The disk is full.");
    }

    @Test
    void aFolderWithoutPermissionIsNamed() {
        assertThat(DiskTrouble.in(new AccessDeniedException("/srv/apodex/runs/e8ae3824")))
                .contains("Apodex has no permission for the folder “runs” of the data folder.");
        assertThat(DiskTrouble.in(new FileSystemException("/srv/apodex/runs/x", null, "Read-only file system")))
                .contains("The disk of the data folder can only be read.");
        assertThat(DiskTrouble.in(new IOException("It is damaged."))).isEmpty();
    }
}
