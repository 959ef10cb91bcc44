package apodex.server.nodes;

import apodex.server.TestServer.Client;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** An Apodex as a process of its own. */
public final class NodeProcess extends Started {
    private static final int ATTEMPTS = 3;

    private final JavaOptions options;
    private final List<String> settings;
    private final Path data;
    private final int port = freePort();
    private List<String> under = List.of();

    /** @param settings as {@code --name=value} */
    public NodeProcess(Path data, List<String> settings) throws IOException {
        this(data, settings, JavaOptions.SOON_THERE);
    }

    NodeProcess(Path data, List<String> settings, JavaOptions options) throws IOException {
        super(Files.createDirectories(data).resolve("server.log"));
        this.data = data;
        this.settings = settings;
        this.options = options;
    }

    /** From its next start on it has one processor of this machine to itself, as if it were one with one. */
    void keepTo(int processor) {
        under = List.of("taskset", "--cpu-list", String.valueOf(processor));
    }

    Path data() {
        return data;
    }

    public Client client() {
        return new Client(port);
    }

    @Override
    List<String> command() {
        List<String> command = new ArrayList<>(under);
        command.add(ProcessHandle.current().info().command().orElse("java"));
        command.addAll(options.words());
        command.addAll(List.of(
                "-cp",
                System.getProperty("java.class.path"),
                "apodex.server.Apodex",
                "--server.port=" + port,
                "--apodex.data=" + data));
        command.addAll(settings);
        return command;
    }

    /** Begun again where it gave up, as whoever runs a service does. */
    @Override
    public void start() throws Exception {
        for (int attempt = 1; ; attempt++) {
            try {
                super.start();
                return;
            } catch (AssertionError e) {
                if (attempt == ATTEMPTS || isAlive()) {
                    throw e;
                }
            }
        }
    }

    @Override
    boolean answers() {
        try {
            return client().get("/actuator/health/readiness").status() == 200;
        } catch (Exception notYet) {
            return false;
        }
    }
}
