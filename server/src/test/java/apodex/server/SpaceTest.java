package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;

/** What takes the room, how much there may be, what the rules keep, and what goes by itself. */
final class SpaceTest {
    @TempDir
    Path data;

    private static JsonNode picture(Client client, String session) throws Exception {
        JsonNode picture = client.get("/api/space").json();
        for (JsonNode each : picture.get("sessions")) {
            if (each.get("id").asText().equals(session)) {
                return each;
            }
        }
        throw new AssertionError(picture.toString());
    }

    @Test
    void theBinIsSweptAndRulesKeepTheLastRunsAndThoseThatWerePickedUp() throws Exception {
        try (TestServer server = TestServer.start(data, "--apodex.bin=1s")) {
            Client client = server.client();
            String session = client.bringIn("Kept", "Tuba.wav", SoundBytes.mono24(1, 2, 3, 4))
                    .json()
                    .get("id")
                    .asText();
            String handoff = client.handoff(session);
            List<String> runs = Stream.of(1, 2, 3, 4, 5)
                    .map(number -> {
                        try {
                            String run = client.run(handoff, "{\"everything\": true}");
                            client.await(run);
                            return run;
                        } catch (Exception e) {
                            throw new AssertionError(e);
                        }
                    })
                    .toList();
            String fetched = link(client, runs.get(0));
            client.get(fetched + "/parcel");
            link(client, runs.get(1));
            JsonNode before = picture(client, session);
            assertThat(before.get("printed").asLong()).isEqualTo(bytesOfFiles(server, runs));
            assertThat(client.put("/api/keeping", "{\"runs\": 0}").status()).isEqualTo(422);
            assertThat(client.put("/api/keeping", "{\"runs\": 3}").status()).isEqualTo(200);
            assertThat(client.put("/api/sessions/" + session + "/keeping", "{\"runs\": 1}")
                            .status())
                    .isEqualTo(200);

            sweep(server);
            assertThat(client.get("/api/handoffs/" + handoff + "/runs").json().findValuesAsText("id"))
                    .as("the last one, the one that was fetched, and the one whose link is good")
                    .containsExactly(runs.get(4), runs.get(1), runs.get(0));
            assertThat(client.get("/api/bin").json().findValuesAsText("id"))
                    .containsExactlyInAnyOrder(runs.get(2), runs.get(3));
            JsonNode binned = picture(client, session);
            assertThat(binned.get("binned").asLong())
                    .isEqualTo(bytesOfFiles(server, List.of(runs.get(2), runs.get(3))));
            Thread.sleep(1_100);
            sweep(server);
            assertThat(client.get("/api/bin").json()).isEmpty();
            assertThat(server.run(runs.get(2))).doesNotExist();
            assertThat(server.run(runs.get(0))).exists();
            assertThat(picture(client, session).get("binned").asLong()).isZero();
            assertThat(client.put("/api/sessions/" + session + "/keeping", "{\"runs\": 0}")
                            .status())
                    .as("all of this one, whatever the house keeps")
                    .isEqualTo(200);
            sweep(server);
            assertThat(client.get("/api/handoffs/" + handoff + "/runs").json()).hasSize(3);
        }
    }

    /** As it goes by itself every few minutes. */
    private static void sweep(TestServer server) throws Exception {
        Class<?> bin = Class.forName("apodex.server.removal.Bin");
        var sweep = bin.getDeclaredMethod("sweep");
        sweep.setAccessible(true);
        sweep.invoke(server.bean(bin));
    }

    private static String link(Client client, String run) throws Exception {
        return "/api"
                + client.post("/api/runs/" + run + "/pickups", "{\"days\": 3}")
                        .json()
                        .get("path")
                        .asText();
    }

    private static long bytesOfFiles(TestServer server, List<String> runs) throws Exception {
        long bytes = 0;
        for (String run : runs) {
            try (Stream<Path> files = Files.walk(server.run(run).resolve("files"))) {
                bytes += files.filter(file -> file.getFileName().toString().endsWith(".wav"))
                        .mapToLong(file -> file.toFile().length())
                        .sum();
            }
        }
        return bytes;
    }

    @Test
    void whoHasAllTheyMayIsToldSoBeforeAnythingComes() throws Exception {
        try (TestServer server = TestServer.start(data, "--apodex.quota=30MB")) {
            Client client = server.client();
            byte[] sound = SoundBytes.mono24(
                    java.util.stream.IntStream.range(0, 20_000).toArray());
            String session = id(client.bringIn("Full", "Tuba.wav", sound));
            long taken = client.get("/api/space").json().get("recordings").asLong();
            assertThat(taken).isGreaterThan(sound.length);
            assertThat(announced(client, 30 * 1024 * 1024 - taken).status()).isEqualTo(201);
            Answer more = announced(client, 30 * 1024 * 1024 - taken + 1);
            assertThat(more.status()).isEqualTo(507);
            assertThat(more.json().get("detail").asText()).contains("for this account", "empty the bin");
            String handoff = client.handoff(session);
            Answer started = client.post("/api/handoffs/" + handoff + "/runs", "");
            assertThat(started.status()).as(started.text()).isEqualTo(202);
            client.await(started.json().get("id").asText());
            server.bean(JdbcTemplate.class).update("UPDATE owner SET quota = 70000");
            assertThat(client.post("/api/handoffs/" + handoff + "/runs", "{\"everything\": true}")
                            .status())
                    .isEqualTo(422);
        }
    }

    private static String id(Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asText();
    }

    private static Answer announced(Client client, long length) throws Exception {
        return client.send(
                "POST",
                "/api/arrivals",
                new byte[0],
                "Tus-Resumable",
                "1.0.0",
                "Upload-Length",
                String.valueOf(length),
                "Upload-Metadata",
                "filename QQ==");
    }

    @Test
    void aForgottenSessionLeavesNoLineBehind() throws Exception {
        TestServer server = TestServer.shared();
        Client client = server.client();
        String session = client.bringIn("Unheard of name", "Gone.wav", SoundBytes.mono24(77, 78, 79))
                .json()
                .get("id")
                .asText();
        String run = client.run(client.handoff(session));
        client.await(run);
        client.put("/api/me/mail", "{\"mail\": \"ann@salt-harbour.example\"}");
        client.get(link(client, run) + "/parcel");
        for (int i = 0; i < 200 && !client.get("/api/outbox").text().contains("Unheard of name"); i++) {
            Thread.sleep(50);
        }
        assertThat(client.get("/api/outbox").text()).contains("Fetched: Unheard of name");
        server.bean(JdbcTemplate.class)
                .update("INSERT INTO deed (owner_id, kind, session_id) VALUES ('local', 'CHANGED', ?)", session);
        assertThat(client.post("/api/sessions/" + session + "/forget", "").status())
                .isEqualTo(204);
        assertThat(client.get("/api/outbox").text()).doesNotContain("Unheard of name");
        JdbcTemplate database = server.bean(JdbcTemplate.class);
        for (String table : database.queryForList("SHOW TABLES", String.class)) {
            assertThat(database.queryForList("SELECT * FROM `" + table + "`").toString())
                    .as(table)
                    .doesNotContain(session)
                    .doesNotContain(run)
                    .doesNotContain("Unheard of name")
                    .doesNotContain("Gone.wav");
        }
    }
}
