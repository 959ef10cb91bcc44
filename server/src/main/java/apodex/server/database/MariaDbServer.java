package apodex.server.database;

import java.io.IOException;
import java.io.InterruptedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A MariaDB server with its own data folder, socket and port, on loopback only. It knows nothing of a system-wide
 * server and never touches one. If an earlier Apodex died and left this folder's server running, that one is taken
 * over; if another Apodex is at work on this folder, its server is used and left to it.
 */
final class MariaDbServer {
    static final String USER = "apodex";
    private static final int START_SECONDS = 60;
    private static final int LAST_LINES = 3;
    /** Bytes without which it cannot be expected to start. */
    private static final long ROOM_TO_START = 1 << 20;

    /** Socket paths may have about 107 characters; the system's temporary folder is short. */
    private static final int LONGEST_SOCKET_PATH = 100;
    /** Between two attempts to bring it back. */
    private static final int LONGEST_WAIT_MS = 10_000;

    private static final Logger LOG = LoggerFactory.getLogger(MariaDbServer.class);

    private final Path folder;
    private final int wantedPort;
    private volatile ProcessHandle process;
    private int port;
    private String password;
    private boolean isOurs;
    private volatile boolean stopping;

    /** @param wantedPort 0 for any free one */
    MariaDbServer(Path folder, int wantedPort) {
        this.folder = folder;
        this.wantedPort = wantedPort;
    }

    String url() {
        return DatabaseAddress.local(port);
    }

    String password() {
        return password;
    }

    void start() throws IOException {
        Files.createDirectories(folder.resolve("tmp"));
        // whoever reaches the socket is let in
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        password = keptPassword();
        if (findRunning()) {
            return;
        }
        Path data = folder.resolve("data");
        if (!Files.exists(data)) {
            install(data);
        }
        port = wantedPort > 0 ? wantedPort : freePort();
        launch();
        watch();
    }

    private void launch() throws IOException {
        Path data = folder.resolve("data");
        Path log = folder.resolve("mariadb.log");
        Process started = new ProcessBuilder(
                        "setsid",
                        program("mariadbd"),
                        "--no-defaults", // a session of its own: Ctrl-C stops Apodex, and Apodex stops it
                        "--user=" + System.getProperty("user.name"),
                        "--datadir=" + data,
                        "--tmpdir=" + folder.resolve("tmp"), // the shared one is full of other servers' files
                        "--socket=" + socket(),
                        "--pid-file=" + folder.resolve("mariadb.pid"),
                        "--bind-address=127.0.0.1",
                        "--port=" + port,
                        "--skip-name-resolve",
                        "--character-set-server=utf8mb4",
                        "--collation-server=utf8mb4_unicode_ci",
                        "--default-time-zone=+00:00",
                        "--max-allowed-packet=256M",
                        "--innodb-buffer-pool-size=64M",
                        "--init-file=" + initFile())
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        process = started.toHandle();
        noteRunning();
        awaitConnection(log);
    }

    /** What dies without having been stopped is started again, at the same address. */
    private void watch() {
        process.onExit().thenRun(() -> {
            Thread again = new Thread(this::launchAgain, "mariadb-again");
            again.setDaemon(true);
            again.start();
        });
    }

    private void launchAgain() {
        for (int wait = 0; !stopping; wait = Math.min(LONGEST_WAIT_MS, 2 * wait + 250)) {
            try {
                Thread.sleep(wait);
                LOG.warn("The database has gone away; it is being started again.");
                launch();
                if (stopping) { // asked to stop in between
                    stop();
                    return;
                }
                watch();
                LOG.info("The database is back.");
                return;
            } catch (IOException e) {
                LOG.warn("The database does not start: {}", e.getMessage());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    void stop() {
        stopping = true;
        if (process == null || !isOurs) {
            return;
        }
        process.destroy();
        try {
            process.onExit().get(30, TimeUnit.SECONDS);
            Files.deleteIfExists(folder.resolve("running"));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (Exception e) {
            process.destroyForcibly();
        }
    }

    private boolean findRunning() throws IOException {
        Path running = folder.resolve("running");
        if (!Files.exists(running)) {
            return false;
        }
        String[] pidAndPort = Files.readString(running).trim().split(" ");
        if (pidAndPort.length < 2 || !Arrays.stream(pidAndPort).allMatch(each -> each.matches("\\d{1,9}"))) {
            return false; // torn when the machine went down: nothing of that time runs any more
        }
        Optional<ProcessHandle> left = ProcessHandle.of(Long.parseLong(pidAndPort[0]));
        port = Integer.parseInt(pidAndPort[1]);
        if (left.isEmpty() || !left.get().isAlive() || !answers()) {
            return false;
        }
        process = left.get();
        boolean ownerLives = pidAndPort.length > 2
                && ProcessHandle.of(Long.parseLong(pidAndPort[2])).isPresent();
        if (!ownerLives) {
            noteRunning();
            watch();
        }
        return true;
    }

    /** Leaves word for the next Apodex on this folder: the server's process, its port, and who stops it. */
    private void noteRunning() throws IOException {
        Files.writeString(
                folder.resolve("running"),
                process.pid() + " " + port + " " + ProcessHandle.current().pid());
        isOurs = true;
    }

    private void install(Path data) throws IOException {
        Path unfinished = folder.resolve("data.new");
        if (Files.exists(unfinished)) {
            apodex.audio.WorkFolder.remove(unfinished);
        }
        Path log = folder.resolve("install.log");
        Process install = new ProcessBuilder(
                        program("mariadb-install-db"),
                        "--no-defaults",
                        "--user=" + System.getProperty("user.name"),
                        "--datadir=" + unfinished,
                        "--tmpdir=" + folder.resolve("tmp"),
                        "--auth-root-authentication-method=socket",
                        "--auth-root-socket-user=" + System.getProperty("user.name"),
                        "--skip-test-db")
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        if (await(install) != 0) {
            throw new IOException("MariaDB could not set up its data folder. " + lastWords(log));
        }
        Files.move(unfinished, data, StandardCopyOption.ATOMIC_MOVE);
    }

    /** Runs inside the server with full rights at every start; each statement on one line. */
    private Path initFile() throws IOException {
        Path file = folder.resolve("init.sql");
        String user = "'" + USER + "'@'127.0.0.1'";
        writePrivate(
                file,
                String.join(
                        "\n",
                        List.of(
                                "CREATE DATABASE IF NOT EXISTS apodex CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;",
                                "CREATE OR REPLACE USER " + user + " IDENTIFIED BY '" + password + "';",
                                "GRANT ALL ON apodex.* TO " + user + ";",
                                "")));
        return file;
    }

    private String keptPassword() throws IOException {
        Path file = folder.resolve("password");
        if (!Files.exists(file)) {
            byte[] random = new byte[16];
            new SecureRandom().nextBytes(random);
            writePrivate(file, HexFormat.of().formatHex(random));
        }
        return Files.readString(file).trim();
    }

    private static void writePrivate(Path file, String text) throws IOException {
        Files.deleteIfExists(file);
        Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(file, text);
    }

    private Path socket() {
        Path here = folder.resolve("mariadb.sock");
        return here.toString().length() <= LONGEST_SOCKET_PATH
                ? here
                : Path.of("/tmp", "apodex-" + Integer.toHexString(here.hashCode()) + ".sock");
    }

    private void awaitConnection(Path log) throws IOException {
        for (long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(START_SECONDS); System.nanoTime() < end; ) {
            if (answers()) {
                return;
            }
            if (!process.isAlive()) {
                throw new IOException("MariaDB stopped right after its start. " + lastWords(log));
            }
            pause();
        }
        process.destroy();
        throw new IOException("MariaDB did not answer within " + START_SECONDS + " seconds. " + lastWords(log));
    }

    private static String lastWords(Path log) throws IOException {
        List<String> lines = Files.readAllLines(log, java.nio.charset.StandardCharsets.ISO_8859_1).stream()
                .filter(line -> !line.isBlank())
                .toList();
        if (log.toFile().getUsableSpace() < ROOM_TO_START) {
            return "The disk of " + log.getParent() + " is full.";
        }
        return lines.isEmpty()
                ? "It said nothing, in " + log + "."
                : "It said last, in " + log + ": "
                        + String.join(" / ", lines.subList(Math.max(0, lines.size() - LAST_LINES), lines.size()));
    }

    private boolean answers() {
        try (Connection connection = DriverManager.getConnection(url(), USER, password)) {
            return connection.isValid(5);
        } catch (SQLException e) {
            return false;
        }
    }

    private static void pause() throws IOException {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("Waiting for MariaDB was interrupted.");
        }
    }

    private static int await(Process process) throws IOException {
        try {
            return process.waitFor();
        } catch (InterruptedException e) {
            process.destroy();
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("Setting MariaDB up was interrupted.");
        }
    }

    private static String program(String name) throws IOException {
        for (String place : List.of("/usr/sbin", "/usr/bin", "/usr/local/sbin", "/usr/local/bin")) {
            if (Files.isExecutable(Path.of(place, name))) {
                return place + "/" + name;
            }
        }
        throw new IOException("The program " + name + " is missing; install Debian's package mariadb-server-core.");
    }

    private static int freePort() throws IOException {
        try (ServerSocket any = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return any.getLocalPort();
        }
    }
}
