package apodex.server.backup;

import apodex.audio.WorkFolder;
import apodex.server.CannotStart;
import apodex.server.HouseKey;
import apodex.server.database.DatabaseDump;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.DataSourceAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.JdbcTemplateAutoConfiguration;
import org.springframework.context.ApplicationContext;
import org.springframework.context.annotation.Import;
import org.springframework.core.env.Environment;

/**
 * {@code ./apodex backup FILE}: database, recordings, runs and what came in, while the server runs. Files that are whole never change, so
 * links to them are taken before and after the database is written out: whatever it names was there at one of both.
 */
@Import(DatabaseDump.class)
@ImportAutoConfiguration({DataSourceAutoConfiguration.class, JdbcTemplateAutoConfiguration.class})
public final class BackupCommand {
    static final String DATABASE = "database.sql";
    /** What belongs to the house besides the database. */
    static final List<String> FOLDERS = List.of("recordings", "runs", "intakes", "outbox");

    /** @return what to say */
    public static String run(ApplicationContext context, String file) {
        Path data = data(context.getEnvironment());
        refuseWhereOthersKeepIt(context.getEnvironment());
        Path target = Path.of(file).toAbsolutePath();
        if (Files.exists(target)) {
            throw new CannotStart(target + " is there already; say another name.", null);
        }
        Path staging = data.resolve("incoming")
                .resolve("backup-" + ProcessHandle.current().pid());
        try {
            Files.createDirectories(staging);
            FOLDERS.forEach(folder -> link(data.resolve(folder), staging.resolve(folder)));
            context.getBean(DatabaseDump.class).write(staging.resolve(DATABASE));
            FOLDERS.forEach(folder -> link(data.resolve(folder), staging.resolve(folder)));
            Files.copy(
                    HouseKey.file(data),
                    staging.resolve(HouseKey.file(data).getFileName()),
                    StandardCopyOption.COPY_ATTRIBUTES);
            Path half = target.resolveSibling(target.getFileName() + ".part");
            pack(staging, half);
            Files.move(half, target, StandardCopyOption.ATOMIC_MOVE);
            return "All of " + data + " is in " + target + " (" + Files.size(target) / 1_000_000
                    + " MB). It holds the key of the house too, so keep it as safe as the house: ./apodex restore "
                    + target.getFileName();
        } catch (IOException e) {
            throw new CannotStart("The backup was not made. " + e.getMessage(), e);
        } finally {
            remove(staging);
        }
    }

    /** @throws CannotStart where the database and the files are not on this machine alone */
    static void refuseWhereOthersKeepIt(Environment environment) {
        for (String setting : List.of("apodex.storage.address", "apodex.db.address")) {
            if (!environment.getProperty(setting, "").isBlank()) {
                throw new CannotStart(
                        "This house keeps its files and its database elsewhere (APODEX_STORAGE, APODEX_DB): back both up by"
                                + " their own tools, the database first. docs/scale.md says how.",
                        null);
            }
        }
    }

    static Path data(Environment environment) {
        return Path.of(environment.getRequiredProperty("apodex.data.absolute"));
    }

    /** Links to what is whole; what is being made has a hidden name, and what is measured now can be measured again. */
    private static void link(Path from, Path to) {
        try {
            if (Files.isDirectory(from)) {
                Files.walkFileTree(from, new Linking(from, to));
            }
        } catch (IOException e) {
            throw new CannotStart("The backup was not made. " + e.getMessage(), e);
        }
    }

    private static final class Linking extends SimpleFileVisitor<Path> {
        private final Path from;
        private final Path to;

        Linking(Path from, Path to) {
            this.from = from;
            this.to = to;
        }

        @Override
        public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) throws IOException {
            if (isInTheMaking(folder)) {
                return FileVisitResult.SKIP_SUBTREE;
            }
            Files.createDirectories(to.resolve(from.relativize(folder)));
            return FileVisitResult.CONTINUE;
        }

        @Override
        public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
            Path copy = to.resolve(from.relativize(file));
            if (!isInTheMaking(file) && !Files.exists(copy)) {
                try {
                    Files.createLink(copy, file);
                } catch (NoSuchFileException e) {
                    return FileVisitResult.CONTINUE; // removed at this moment
                } catch (UnsupportedOperationException e) {
                    Files.copy(file, copy);
                }
            }
            return FileVisitResult.CONTINUE;
        }

        @Override
        public FileVisitResult visitFileFailed(Path file, IOException e) throws IOException {
            if (e instanceof NoSuchFileException) {
                return FileVisitResult.CONTINUE;
            }
            throw e;
        }

        private static boolean isInTheMaking(Path file) {
            String name = file.getFileName().toString();
            return name.startsWith(".") || name.startsWith("scan-") || name.endsWith(".part");
        }
    }

    private static void pack(Path folder, Path to) throws IOException {
        Files.deleteIfExists(to);
        Files.createFile(to, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(to), 1 << 20);
                TarArchiveOutputStream tar = new TarArchiveOutputStream(out, "UTF-8");
                Stream<Path> files = Files.walk(folder)) {
            tar.setLongFileMode(TarArchiveOutputStream.LONGFILE_POSIX);
            tar.setBigNumberMode(TarArchiveOutputStream.BIGNUMBER_POSIX);
            for (Path file : (Iterable<Path>) files.sorted().filter(Files::isRegularFile)::iterator) {
                TarArchiveEntry entry = new TarArchiveEntry(
                        file.toFile(), folder.relativize(file).toString());
                tar.putArchiveEntry(entry);
                Files.copy(file, tar);
                tar.closeArchiveEntry();
            }
        }
    }

    private static void remove(Path staging) {
        try {
            WorkFolder.remove(staging);
        } catch (IOException e) {
            System.err.println("What was made for the backup is still at " + staging + ".");
        }
    }
}
