package apodex.server.database;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;

/** Writes the whole database out as it is at one moment, and reads it in again, with MariaDB's own programs. */
public final class DatabaseDump {
    private final URI server;
    private final String user;
    private final String password;
    private final JdbcTemplate database;

    DatabaseDump(
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password,
            JdbcTemplate database) {
        this.server = URI.create(url.substring("jdbc:".length()));
        this.user = user;
        this.password = password;
        this.database = database;
    }

    public boolean isEmpty() {
        return database.queryForList("SHOW TABLES", String.class).isEmpty();
    }

    public void write(Path file) throws IOException {
        // one transaction: whoever works meanwhile is not kept waiting, and is not seen half
        run(
                client("mariadb-dump", "--single-transaction", "--skip-lock-tables", "--no-tablespaces", "--hex-blob"),
                ProcessBuilder.Redirect.PIPE,
                ProcessBuilder.Redirect.to(file.toFile()));
    }

    public void read(Path file) throws IOException {
        run(client("mariadb"), ProcessBuilder.Redirect.from(file.toFile()), ProcessBuilder.Redirect.DISCARD);
    }

    private List<String> client(String program, String... options) {
        List<String> command = new ArrayList<>(List.of(program, "--no-defaults"));
        command.addAll(Arrays.asList(options));
        command.addAll(List.of(
                "--host=" + server.getHost(),
                "--port=" + server.getPort(),
                "--user=" + user,
                "--max-allowed-packet=256M",
                "--default-character-set=utf8mb4",
                server.getPath().substring(1)));
        return command;
    }

    private void run(List<String> command, ProcessBuilder.Redirect in, ProcessBuilder.Redirect out) throws IOException {
        Path complaints = Files.createTempFile("apodex-dump-", ".log");
        try {
            ProcessBuilder builder = new ProcessBuilder(command)
                    .redirectInput(in)
                    .redirectOutput(out)
                    .redirectError(complaints.toFile());
            builder.environment().putAll(Map.of("MYSQL_PWD", password)); // arguments can be seen by everybody
            int status = builder.start().waitFor();
            if (status != 0) {
                throw new IOException(command.get(0) + " ended with " + status + ": "
                        + Files.readString(complaints).strip());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(command.get(0) + " was interrupted.", e);
        } finally {
            Files.deleteIfExists(complaints);
        }
    }
}
