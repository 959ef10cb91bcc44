package apodex.server.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.SoundBytes;
import apodex.intake.RecordingStore;
import apodex.server.TestServer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.stream.IntStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;

/** Data folders of earlier versions, brought up to date by starting on them. */
final class StoredFormsTest {
    @TempDir
    Path data;

    private static final int[] SAMPLES =
            IntStream.range(0, 100).map(i -> 10_000 * (i + 1)).toArray();

    private String recorded() throws Exception {
        Path wav = Files.write(data.resolve("Tuba.wav"), SoundBytes.mono24(SAMPLES));
        return new RecordingStore(data.resolve("recordings"))
                .bring(wav, "Tuba.wav")
                .sha256();
    }

    private void firstVersion(String sha256) throws Exception {
        MariaDbServer server = new MariaDbServer(data.resolve("mariadb"), 0);
        server.start();
        try (Connection connection = DriverManager.getConnection(server.url(), MariaDbServer.USER, server.password());
                Statement statement = connection.createStatement();
                InputStream example = StoredFormsTest.class.getResourceAsStream("form-1.sql")) {
            Flyway.configure()
                    .dataSource(server.url(), MariaDbServer.USER, server.password())
                    .locations("classpath:db/migration")
                    .target("1")
                    .load()
                    .migrate();
            for (String line : new String(example.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
                if (!line.startsWith("--")) {
                    statement.execute(line.replace("SHA", sha256));
                }
            }
        } finally {
            server.stop();
        }
    }

    @Test
    void whatTheFirstVersionLeftIsThereSoundsAndPrints() throws Exception {
        firstVersion(recorded());
        try (TestServer server = TestServer.start(data)) {
            Client client = server.client();
            JsonNode session = client.get("/api/sessions/old").json();
            assertThat(session.at("/session/rows/0/name").asText()).isEqualTo("Tuba");
            assertThat(session.get("undo").asText()).isEqualTo("Rename “Audio 1” to “Tuba”");
            byte[] sound = client.get("/api/sessions/old/sound?from=0").whole().body();
            float[] left = new float[sound.length / 8];
            ByteBuffer floats = ByteBuffer.wrap(sound).order(ByteOrder.LITTLE_ENDIAN);
            for (int i = 0; i < left.length; i++) {
                left[i] = floats.getFloat(8 * i);
            }
            assertThat(left).hasSize(55);
            assertThat(left[4]).isZero();
            // the first pan law was one at the middle: what was recorded, from the second sample on
            assertThat(left[5]).isEqualTo((float) (SAMPLES[1] / 8_388_608.0));
            assertThat(left[54]).isEqualTo((float) (SAMPLES[50] / 8_388_608.0));
            String run = client.run("old-handoff");
            JsonNode done = client.await(run);
            assertThat(done.get("state").asText()).isEqualTo("done");
            assertThat(client.get("/api/handoffs/old-handoff")
                            .json()
                            .at("/plan/depth")
                            .asText())
                    .isEqualTo("int16");
            JsonNode undone =
                    client.post("/api/sessions/old/undo", "{\"revision\": 2}").json();
            assertThat(undone.at("/session/rows/0/name").asText()).isEqualTo("Audio 1");
            JdbcTemplate database = server.bean(JdbcTemplate.class);
            assertThat(database.queryForList("SELECT DISTINCT form FROM session_revision", Integer.class))
                    .containsExactly(2);
            database.update("UPDATE session_revision SET form = 3 WHERE session_id = 'old' AND revision = 3");
        }
        assertThatThrownBy(() -> TestServer.start(data).close())
                .as("what a newer one wrote is left alone")
                .rootCause()
                .hasMessageContaining("written by a newer Apodex (form 3");
    }
}
