package apodex.server;

import apodex.audio.WorkFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.MapPropertySource;
import org.springframework.stereotype.Component;

/** What one machine keeps on its own disk: files on their way, and recordings at hand. What all share is the storage's. */
@Component
public class DataFolder {
    private static final Logger LOG = LoggerFactory.getLogger(DataFolder.class);
    /** Where ./apodex tells Java to put what it needs for a moment. */
    private static final String TEMPORARY = "temporary";

    private static final String REMOVED = "removed";
    /** What this node had of things in the storage that nodes share: its own runs half made, and copies. */
    private static final String LOCAL = "local";

    private static final int LONGEST_HOST = 30;

    private final Path root;

    DataFolder(@Value("${apodex.data.absolute}") String root) {
        this.root = Path.of(root);
    }

    /** Makes the folder and its place for uploads before anything needs them. */
    public static final class Initializer implements ApplicationContextInitializer<ConfigurableApplicationContext> {
        @Override
        public void initialize(ConfigurableApplicationContext context) {
            if (!"UTF-8".equalsIgnoreCase(System.getProperty("sun.jnu.encoding"))) {
                throw new CannotStart(
                        "File names are not UTF-8 here, so rows could not be printed under their"
                                + " names. Start with LC_ALL=C.UTF-8 in the environment, as ./apodex does.",
                        null);
            }
            Path root = found(context);
            FolderLock lock = FolderLock.of(root);
            sweep(root.resolve("incoming"));
            sweep(root.resolve(TEMPORARY));
            sweep(root.resolve(REMOVED));
            sweep(root.resolve(LOCAL));
            hold(context, lock);
        }
    }

    /** For what is done for a moment: a server may be at work here, and none begins meanwhile. */
    public static final class BesideAServer implements ApplicationContextInitializer<ConfigurableApplicationContext> {
        @Override
        public void initialize(ConfigurableApplicationContext context) {
            FolderLock.ifFree(found(context)).ifPresent(lock -> hold(context, lock));
        }
    }

    private static Path found(ConfigurableApplicationContext context) {
        Path root = Path.of(context.getEnvironment().getRequiredProperty("apodex.data"))
                .toAbsolutePath()
                .normalize();
        try {
            if (!Files.exists(root)) {
                Files.createDirectories(
                        root, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
            }
            Files.createDirectories(root.resolve("incoming"));
        } catch (IOException e) {
            throw new CannotStart(
                    "The data folder " + root + " cannot be made or written to: " + e.getMessage()
                            + ". Set APODEX_DATA to another folder, or let this user write there.",
                    e);
        }
        context.getEnvironment()
                .getPropertySources()
                .addFirst(new MapPropertySource(
                        "data folder",
                        Map.of(
                                "apodex.data.absolute",
                                root.toString(),
                                "apodex.node",
                                nodeName(context.getEnvironment().getProperty("apodex.node", "")),
                                "db-scheduler.enabled",
                                !"web".equals(context.getEnvironment().getProperty("apodex.role")))));
        return root;
    }

    /** Of this process, and another after each start, since what it held before is lost; unless it is told. */
    private static String nodeName(String told) {
        if (!told.isBlank()) {
            return told;
        }
        String host = System.getenv().getOrDefault("HOSTNAME", "node");
        return host.substring(0, Math.min(host.length(), LONGEST_HOST)) + "-"
                + UUID.randomUUID().toString().substring(0, 8);
    }

    private static void hold(ConfigurableApplicationContext context, FolderLock lock) {
        // Registered first, so destroyed last.
        ((DefaultListableBeanFactory) context.getBeanFactory()).registerDisposableBean("folderLock", lock::release);
    }

    /** What a server that was killed left half done: nobody else is at it, since this one has the folder to itself. */
    private static void sweep(Path folder) {
        if (!Files.isDirectory(folder)) {
            return;
        }
        try (Stream<Path> left = Files.list(folder)) {
            for (Path each : left.toList()) {
                WorkFolder.remove(each);
            }
        } catch (IOException e) {
            LOG.warn("What was left in {} could not be removed: {}", folder, e.getMessage());
        }
    }

    /** Room that is left, in bytes. */
    public long bytesFree() {
        return root.toFile().getUsableSpace();
    }

    /** A new empty folder for files on their way; the caller removes it. */
    public Path newWorkFolder() throws IOException {
        return Files.createTempDirectory(root.resolve("incoming"), "drop-");
    }

    /** Where files arrive piece by piece; what is there outlives the server. */
    public Path arriving() {
        return root.resolve("arriving");
    }

    /** Recordings of this house, or those of them that are in use here. */
    public Path recordings() {
        return root.resolve("recordings");
    }
}
