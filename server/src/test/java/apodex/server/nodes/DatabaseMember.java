package apodex.server.nodes;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** A MariaDB server as a process: alone, or a member of a cluster. */
final class DatabaseMember extends Started {
    static final String PASSWORD = "for-tests";
    private static final String PROVIDER = "/usr/lib/galera/libgalera_smm.so";

    private final Path folder;
    private final int port = freePort();
    private final int groupPort = freePort();
    private final int transferPort = freePort();
    private final int gapsPort = freePort();
    private List<DatabaseMember> cluster = List.of();
    private boolean isFirst;

    DatabaseMember(Path folder) throws IOException {
        super(Files.createDirectories(folder).resolve("database.log"));
        this.folder = folder;
    }

    int port() {
        return port;
    }

    /** Several that hold the same, started one after the other. */
    static List<DatabaseMember> cluster(Path folder, int members) throws Exception {
        List<DatabaseMember> all = new ArrayList<>();
        for (int i = 0; i < members; i++) {
            all.add(new DatabaseMember(folder.resolve("member-" + i)));
        }
        for (DatabaseMember member : all) {
            member.cluster = members > 1 ? all : List.of();
            member.isFirst = member == all.get(0);
            member.install();
            member.start();
            member.isFirst = false; // from now on it joins the others
        }
        return all;
    }

    private void install() throws Exception {
        run(List.of(
                "mariadb-install-db",
                "--no-defaults",
                "--user=" + System.getProperty("user.name"),
                "--datadir=" + folder.resolve("data"),
                "--auth-root-authentication-method=normal",
                "--skip-test-db"));
        Files.createDirectories(folder.resolve("tmp"));
        Files.writeString(
                folder.resolve("init.sql"),
                "CREATE DATABASE IF NOT EXISTS apodex CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;\n"
                        + "CREATE OR REPLACE USER 'apodex'@'127.0.0.1' IDENTIFIED BY '" + PASSWORD + "';\n"
                        + "GRANT ALL ON apodex.* TO 'apodex'@'127.0.0.1';\n");
    }

    @Override
    void begin() throws IOException {
        try {
            if ("root"
                    .equals(System.getProperty("user.name"))) { // a copy that root asks rsync for is written by nobody
                for (Path above = folder; above.getNameCount() > 1; above = above.getParent()) {
                    run(List.of("chmod", "a+x", above.toString()));
                }
                run(List.of("chown", "-R", "nobody", folder.resolve("data").toString()));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        super.begin();
    }

    @Override
    List<String> command() {
        List<String> command = new ArrayList<>(List.of(
                "/usr/sbin/mariadbd",
                "--no-defaults",
                "--user=" + System.getProperty("user.name"),
                "--datadir=" + folder.resolve("data"),
                "--tmpdir=" + folder.resolve("tmp"),
                "--socket=" + socket(),
                "--pid-file=" + folder.resolve("pid"),
                "--bind-address=127.0.0.1",
                "--port=" + port,
                "--skip-name-resolve",
                "--character-set-server=utf8mb4",
                "--collation-server=utf8mb4_unicode_ci",
                "--default-time-zone=+00:00",
                "--max-allowed-packet=256M",
                "--innodb-buffer-pool-size=64M"));
        if (cluster.isEmpty() || isFirst) {
            command.add("--init-file=" + folder.resolve("init.sql"));
        }
        if (!cluster.isEmpty()) {
            command.addAll(List.of(
                    "--wsrep-on=ON",
                    "--wsrep-provider=" + PROVIDER,
                    "--wsrep-cluster-name=house",
                    "--wsrep-cluster-address=gcomm://"
                            + cluster.stream()
                                    .map(member -> "127.0.0.1:" + member.groupPort)
                                    .collect(Collectors.joining(",")),
                    "--wsrep-node-name=" + folder.getFileName(),
                    "--wsrep-node-address=127.0.0.1:" + groupPort,
                    "--wsrep-sst-method=rsync",
                    "--wsrep-sst-receive-address=127.0.0.1:" + transferPort,
                    "--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:" + groupPort
                            + ";ist.recv_addr=127.0.0.1:" + gapsPort + ";gcache.size=32M",
                    "--binlog-format=ROW",
                    "--innodb-autoinc-lock-mode=2"));
            if (isFirst) {
                command.add("--wsrep-new-cluster");
            }
        }
        return command;
    }

    /** Hears nothing from the other members any more, nor they from it; everybody else still reaches it. */
    void cutOff() throws Exception {
        tellProvider("gmcast.isolate=1");
    }

    void mend() throws Exception {
        tellProvider("gmcast.isolate=0");
    }

    private void tellProvider(String option) throws Exception {
        run(List.of(
                "mariadb",
                "--no-defaults",
                "--socket=" + socket(),
                "--user=root",
                "--execute=SET GLOBAL wsrep_provider_options = '" + option + "'"));
    }

    private Path socket() {
        return Path.of("/tmp", "apodex-" + port + ".sock");
    }

    @Override
    boolean answers() {
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:mariadb://127.0.0.1:" + port + "/apodex?connectTimeout=1000&socketTimeout=2000",
                        "apodex",
                        PASSWORD);
                ResultSet ready = connection.createStatement().executeQuery("SHOW STATUS LIKE 'wsrep_ready'")) {
            return cluster.isEmpty() || ready.next() && "ON".equals(ready.getString(2));
        } catch (SQLException e) {
            return false;
        }
    }
}
