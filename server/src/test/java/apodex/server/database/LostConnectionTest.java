package apodex.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.server.TestServer;
import apodex.server.storage.Patience;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** A transaction loses its connection at each of its steps: nothing of it is there, and it is made again. */
class LostConnectionTest {
    @TempDir
    static Path data;

    private static TestServer server;
    private static JdbcTemplate database;

    @BeforeAll
    static void start() throws Exception {
        server = TestServer.start(data);
        database = server.bean(JdbcTemplate.class);
        database.execute("CREATE TABLE noted (word VARCHAR(20))");
    }

    @AfterAll
    static void stop() throws Exception {
        server.close();
    }

    private enum Lost {
        BEFORE_A_STATEMENT,
        BEFORE_THE_COMMIT,
        WITH_THE_DATABASE
    }

    /** @return how often it was tried */
    private static int note(Lost lost) {
        AtomicInteger tries = new AtomicInteger();
        TransactionTemplate transaction = server.bean(TransactionTemplate.class);
        Patience.doing(() -> transaction.executeWithoutResult(status -> {
            database.update("INSERT INTO noted VALUES (?)", lost.name());
            long connection = database.queryForObject("SELECT CONNECTION_ID()", Long.class);
            if (tries.getAndIncrement() == 0) {
                CompletableFuture.runAsync(() -> lose(lost, connection)).join();
            }
            if (lost != Lost.BEFORE_THE_COMMIT) {
                database.update("INSERT INTO noted VALUES (?)", "with " + lost.ordinal());
            }
        }));
        return tries.get();
    }

    private static void lose(Lost lost, long connection) {
        if (lost != Lost.WITH_THE_DATABASE) {
            database.execute("KILL " + connection); // on a connection of its own
            return;
        }
        try {
            long process = Long.parseLong(
                    Files.readString(data.resolve("mariadb").resolve("running")).split(" ")[0]);
            ProcessHandle.of(process).ifPresent(running -> {
                running.destroyForcibly();
                running.onExit().join();
            });
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void isMadeAgain() {
        for (Lost lost : Lost.values()) {
            assertThat(note(lost)).as(lost.name()).isEqualTo(2);
            assertThat(database.queryForObject("SELECT COUNT(*) FROM noted WHERE word = ?", Integer.class, lost.name()))
                    .as(lost.name())
                    .isEqualTo(1);
        }
    }
}
