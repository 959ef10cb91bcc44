package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;

/** What is told by mail: over a mail server that is there, one that is away, and none. */
final class MailTest {
    @TempDir
    Path data;

    private static String link(Client client, String more) throws Exception {
        String session = client.bringIn("Low Tide Waltz", "Tuba.wav", SoundBytes.mono24(5, 4, 3, 2))
                .json()
                .get("id")
                .asText();
        String run = client.run(client.handoff(session));
        client.await(run);
        return client.post("/api/runs/" + run + "/pickups", "{\"days\": 3" + more + "}")
                .json()
                .get("path")
                .asText();
    }

    private static void await(BooleanSupplier what) throws Exception {
        for (long end = System.nanoTime() + Duration.ofSeconds(30).toNanos();
                System.nanoTime() < end;
                Thread.sleep(50)) {
            if (what.getAsBoolean()) {
                return;
            }
        }
        throw new AssertionError("It does not come.");
    }

    @Test
    void linkAndNewsGoOutByTheServerThatWasTold() throws Exception {
        GreenMail post = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP).dynamicPort());
        post.start();
        int port = post.getSmtp().getPort();
        String[] settings = {
            "--spring.mail.host=127.0.0.1",
            "--spring.mail.port=" + port,
            "--spring.mail.properties.mail.smtp.auth=false",
            "--spring.mail.properties.mail.smtp.starttls.required=false",
            "--apodex.mail.from=house@salt-harbour.example",
            "--apodex.public-url=https://pickup.example"
        };
        try (TestServer server = TestServer.start(data, settings)) {
            Client client = server.client();
            client.put("/api/me/mail", "{\"mail\": \"ann@salt-harbour.example\"}");
            String path = link(client, ", \"mail\": \"mix@quayside.example\", \"message\": \"Ring me: äöü\"");
            await(() -> post.getReceivedMessages().length == 1);
            MimeMessage link = post.getReceivedMessages()[0];
            assertThat(link.getAllRecipients()[0].toString()).isEqualTo("mix@quayside.example");
            assertThat(link.getFrom()[0].toString()).isEqualTo("house@salt-harbour.example");
            assertThat(link.getSubject()).isEqualTo("Files for you: Low Tide Waltz, v1");
            assertThat((String) link.getContent()).contains("https://pickup.example" + path, "Ring me: äöü");

            client.get("/api" + path + "/parcel");
            client.get("/api" + path + "/parcel");
            client.post("/api" + path + "/reply", "{\"arrived\": true}");
            client.post("/api" + path + "/reply", "{\"problem\": \"The tuba is cut.\"}");
            await(() -> post.getReceivedMessages().length == 4);
            Thread.sleep(2_500);
            List<String> told = Arrays.stream(post.getReceivedMessages())
                    .skip(1)
                    .map(MailTest::subject)
                    .toList();
            assertThat(told)
                    .as("fetched is told once")
                    .containsExactlyInAnyOrder(
                            "Fetched: Low Tide Waltz, v1",
                            "All arrived: Low Tide Waltz, v1",
                            "A problem: Low Tide Waltz, v1");

            post.stop();
            client.post("/api" + path + "/reply", "{\"problem\": \"And the bell.\"}");
            JdbcTemplate database = server.bean(JdbcTemplate.class);
            await(() -> Integer.valueOf(1)
                    .equals(database.queryForObject("SELECT MAX(attempts) FROM letter", Integer.class)));
            GreenMail back = new GreenMail(new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
            back.start();
            database.update("UPDATE letter SET due = UTC_TIMESTAMP() - INTERVAL 1 SECOND");
            await(() -> back.getReceivedMessages().length == 1);
            assertThat((String) back.getReceivedMessages()[0].getContent()).contains("And the bell.");
            await(() ->
                    Integer.valueOf(0).equals(database.queryForObject("SELECT COUNT(*) FROM letter", Integer.class)));
            back.stop();
        } finally {
            post.stop();
        }
    }

    private static String subject(MimeMessage message) {
        try {
            return message.getSubject();
        } catch (jakarta.mail.MessagingException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void withoutAServerMessagesLieInTheOutbox() throws Exception {
        Client client = TestServer.shared().client();
        String path = link(client, ", \"mail\": \"mix@quayside.example\", \"passPhrase\": \"six herrings\"");
        await(() -> !textOf(client, path).isEmpty());
        String text = textOf(client, path);
        assertThat(text).contains(path, "opens with a pass phrase").doesNotContain("six herrings");
        assertThat(client.get("/api/outbox/..%2f..%2fhouse.key").status()).isIn(400, 404);
        String session = client.bringIn("Low Tide Waltz", "Tuba.wav", SoundBytes.mono24(1, 4, 3, 2))
                .json()
                .get("id")
                .asText();
        String run = client.run(client.handoff(session));
        client.await(run);
        assertThat(client.post("/api/runs/" + run + "/pickups", "{\"days\": 1, \"mail\": \"a b@c\"}")
                        .status())
                .as("no address")
                .isEqualTo(422);
    }

    /** Of the message that tells of a link; others may lie there too. */
    private static String textOf(Client client, String path) {
        try {
            for (JsonNode letter : client.get("/api/outbox").json().get("letters")) {
                String text = client.get("/api/outbox/" + letter.get("name").asText())
                        .json()
                        .get("text")
                        .asText();
                if (text.contains(path)) {
                    return text;
                }
            }
            return "";
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }
}
