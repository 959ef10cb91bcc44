package apodex.server.nodes;

import apodex.server.TestServer.Client;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** A house of several machines on this one: nodes, a database or a cluster of them, and a store; everything a process that can be killed. */
final class Cluster implements AutoCloseable {
    private final Path folder;
    private final JavaOptions options;
    final List<DatabaseMember> databases;
    final StandIn store;
    final List<Node> nodes = new ArrayList<>();

    /** A node, and its lines to the others. */
    record Node(Role role, NodeProcess process, Line toStore, List<Line> toDatabases) {
        void cut() {
            toStore.cut();
            toDatabases.forEach(Line::cut);
        }

        void mend() {
            toStore.mend();
            toDatabases.forEach(Line::mend);
        }
    }

    Cluster(Path folder, int databases) throws Exception {
        this(folder, databases, JavaOptions.SOON_THERE);
    }

    Cluster(Path folder, int databases, JavaOptions options) throws Exception {
        this.folder = folder;
        this.options = options;
        this.store = new StandIn(folder, options);
        store.begin();
        this.databases = DatabaseMember.cluster(folder, databases);
        store.awaitAnswer();
    }

    /** Begins to start a node; {@link NodeProcess#awaitAnswer} waits for it. */
    Node add(Role role, String... more) throws IOException {
        Node node = make(role, more);
        node.process().begin();
        return node;
    }

    /** The same, of one processor of this machine. */
    Node addOn(int processor, Role role, String... more) throws IOException {
        Node node = make(role, more);
        node.process().keepTo(processor);
        node.process().begin();
        return node;
    }

    private Node make(Role role, String... more) throws IOException {
        Line toStore = new Line(store.port());
        List<Line> toDatabases = new ArrayList<>();
        for (DatabaseMember member : databases) {
            toDatabases.add(new Line(member.port()));
        }
        List<String> settings = new ArrayList<>(List.of(
                "--apodex.role=" + role.word(),
                "--apodex.storage.address=s3://" + StandIn.BUCKET + "/all",
                "--apodex.storage.endpoint=http://127.0.0.1:" + (isMeasured() ? store.port() : toStore.port()),
                "--apodex.storage.key=for-tests",
                "--apodex.storage.secret=for-tests",
                "--apodex.storage.cache=300MB",
                "--apodex.sweep=1s",
                "--apodex.house-key=" + folder.resolve("house.key"),
                "--apodex.db.address="
                        + (isMeasured()
                                        ? databases.stream().map(DatabaseMember::port)
                                        : toDatabases.stream().map(Line::port))
                                .map(port -> "127.0.0.1:" + port)
                                .collect(Collectors.joining(","))
                        + "/apodex",
                "--apodex.db.password=" + DatabaseMember.PASSWORD));
        settings.addAll(List.of(more));
        NodeProcess process = new NodeProcess(folder.resolve("node-" + nodes.size()), settings, options);
        Node node = new Node(role, process, toStore, toDatabases);
        nodes.add(node);
        return node;
    }

    /** Then nodes are led past the lines, which cost something themselves. */
    private boolean isMeasured() {
        return options == JavaOptions.AS_SERVED;
    }

    Client client() {
        return nodes.stream()
                .filter(node -> node.role().serves())
                .findFirst()
                .orElseThrow()
                .process()
                .client();
    }

    /** What lies in the store, by its keys. */
    List<String> keys() throws Exception {
        return StoreKeys.of(store.port());
    }

    /** What nodes complained of, what they and the database are at: why something goes wrong, or does not go on. */
    String plight() {
        StringBuilder all = new StringBuilder();
        for (Node node : nodes) {
            all.append("Node ").append(nodes.indexOf(node)).append(":\n");
            all.append(node.process().complained())
                    .append("\n")
                    .append(node.process().isAt())
                    .append("\n");
        }
        all.append("Store:\n").append(store.complained()).append("\nDatabase:\n");
        try {
            all.append(names("SELECT CONCAT_WS(' ', trx_mysql_thread_id, trx_state, trx_started, trx_query)"
                    + " FROM information_schema.innodb_trx"));
            all.append(names("SELECT CONCAT_WS(' ', id, time_ms, state, info) FROM information_schema.processlist"));
            all.append(names("SELECT CONCAT_WS(' ', name, until, sweeps, node) FROM writing"));
            all.append(names("SELECT CONCAT_WS(' ', name, until) FROM stored_recording"));
        } catch (Exception e) {
            all.append(e);
        }
        return all.append("\n").toString();
    }

    void sql(String statement) throws Exception {
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:mariadb://127.0.0.1:" + databases.get(0).port() + "/apodex",
                        "apodex",
                        DatabaseMember.PASSWORD);
                Statement work = connection.createStatement()) {
            work.execute(statement);
        }
    }

    /** The first column of what a query finds. */
    List<String> names(String query) throws Exception {
        List<String> names = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:mariadb://127.0.0.1:" + databases.get(0).port() + "/apodex",
                        "apodex",
                        DatabaseMember.PASSWORD);
                Statement work = connection.createStatement();
                ResultSet found = work.executeQuery(query)) {
            while (found.next()) {
                names.add(found.getString(1));
            }
        }
        return names;
    }

    @Override
    public void close() throws IOException {
        for (Node node : nodes) {
            node.process().close();
            node.toStore().close();
            for (Line line : node.toDatabases()) {
                line.close();
            }
        }
        store.close();
        databases.forEach(Started::close);
    }
}
