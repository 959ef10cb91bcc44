package apodex.server.backup;

import apodex.server.CannotStart;
import apodex.server.HouseKey;
import apodex.server.database.DatabaseDump;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.DataSourceAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.JdbcTemplateAutoConfiguration;
import org.springframework.context.ApplicationContext;
import org.springframework.context.annotation.Import;

/** {@code ./apodex restore FILE}: what was backed up, into an empty data folder. An older database is brought up to date at the next start. */
@Import(DatabaseDump.class)
@ImportAutoConfiguration({DataSourceAutoConfiguration.class, JdbcTemplateAutoConfiguration.class})
public final class RestoreCommand {
    /** @return what to say */
    public static String run(ApplicationContext context, String file) {
        BackupCommand.refuseWhereOthersKeepIt(context.getEnvironment());
        Path data = BackupCommand.data(context.getEnvironment());
        Path backup = Path.of(file);
        if (!Files.isRegularFile(backup)) {
            throw new CannotStart("There is no backup " + backup.toAbsolutePath() + ".", null);
        }
        DatabaseDump database = context.getBean(DatabaseDump.class);
        refuseUnlessEmpty(data, database);
        try {
            unpack(backup, data);
            Path dump = data.resolve(BackupCommand.DATABASE);
            if (!Files.exists(dump)) {
                throw new CannotStart(backup + " is no backup of Apodex: it holds no database.", null);
            }
            Path key = HouseKey.file(data);
            if (Files.exists(key)) {
                Files.setPosixFilePermissions(key, PosixFilePermissions.fromString("rw-------"));
            }
            database.read(dump);
            Files.delete(dump);
            return "All is back in " + data + ". Start with ./apodex start";
        } catch (IOException e) {
            throw new CannotStart(
                    "Not all could be brought back. " + e.getMessage() + " Empty " + data + " before you try again.",
                    e);
        }
    }

    private static void refuseUnlessEmpty(Path data, DatabaseDump database) {
        Optional<String> full = BackupCommand.FOLDERS.stream()
                .filter(folder -> holdsSomething(data.resolve(folder)))
                .findFirst();
        if (full.isPresent() || !database.isEmpty()) {
            throw new CannotStart(
                    data
                            + " is not empty; a backup is brought back into an empty folder only. Set APODEX_DATA to another one.",
                    null);
        }
    }

    private static boolean holdsSomething(Path folder) {
        if (!Files.isDirectory(folder)) {
            return false;
        }
        try (Stream<Path> inside = Files.list(folder)) {
            return inside.findAny().isPresent();
        } catch (IOException e) {
            return true;
        }
    }

    private static void unpack(Path backup, Path data) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(backup), 1 << 20);
                TarArchiveInputStream tar = new TarArchiveInputStream(in, "UTF-8")) {
            for (TarArchiveEntry entry = tar.getNextEntry(); entry != null; entry = tar.getNextEntry()) {
                Path file = data.resolve(entry.getName()).normalize();
                if (!file.startsWith(data) || !entry.isFile()) {
                    throw new IOException(entry.getName() + " would lie outside of the data folder.");
                }
                Files.createDirectories(file.getParent());
                Files.copy(tar, file);
                // proofs go by when a file was written last
                Files.setLastModifiedTime(
                        file, FileTime.from(entry.getLastModifiedTime().toInstant()));
            }
        }
    }
}
