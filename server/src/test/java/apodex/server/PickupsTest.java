package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;

/** Links for receivers: what they open, what they keep shut, and how guessing is slowed down. */
final class PickupsTest {
    private TestServer server;
    private Client client;
    private String run;

    @BeforeEach
    void print() throws Exception {
        server = TestServer.shared();
        client = server.client();
        String session = client.bringIn(
                        "Low Tide Waltz", "Tuba.wav", SoundBytes.mono24(5, 6, 7), "Harp.wav", SoundBytes.mono24(1, 2))
                .json()
                .get("id")
                .asText();
        run = client.await(client.run(client.handoff(session))).get("id").asText();
    }

    private JsonNode link(String json) throws Exception {
        Answer made = client.post("/api/runs/" + run + "/pickups", json);
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        return made.json();
    }

    private static String api(JsonNode link) {
        return "/api" + link.get("path").asText();
    }

    @Test
    void aReceiverSeesHearsFetchesAndAnswersWithoutAnAccount() throws Exception {
        JsonNode link = link("{\"days\": 3, \"passPhrase\": null, \"message\": \"Hello\"}");
        JsonNode page = client.get(api(link)).json();
        assertThat(page.get("message").asText()).isEqualTo("Hello");
        assertThat(page.get("parcel").get("song").asText()).isEqualTo("Low Tide Waltz");
        assertThat(page.get("parcel").get("files").findValuesAsText("name"))
                .containsExactly("01_Tuba.wav", "02_Harp.wav", "00_Reference Mix.wav");
        byte[] zip = client.get(api(link) + "/parcel").whole().body();
        assertThat(zip)
                .isEqualTo(client.get("/api/runs/" + run + "/parcel").whole().body());
        assertThat(client.get(api(link) + "/parcel", "Range", "bytes=0-49")
                        .whole()
                        .body())
                .isEqualTo(Arrays.copyOf(zip, 50));
        Answer rest = client.get(api(link) + "/parcel", "Range", "bytes=50-");
        assertThat(rest.status()).isEqualTo(206);
        assertThat(rest.whole().body()).isEqualTo(Arrays.copyOfRange(zip, 50, zip.length));
        assertThat(client.get(api(link) + "/files/1").whole().body())
                .startsWith("RIFF".getBytes(StandardCharsets.US_ASCII));
        assertThat(client.get(api(link) + "/files/1/picture").status()).isEqualTo(200);
        assertThat(client.get(api(link) + "/sheet?form=pdf").whole().body())
                .startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
        assertThat(client.get(api(link) + "/sheet").header("Content-Security-Policy"))
                .contains("default-src 'none'");
        assertThat(client.get(api(link) + "/sound?from=0&to=2&files=0").whole().body())
                .hasSize(16);
        assertThat(client.post(api(link) + "/reply", "{\"arrived\": true}").status())
                .isEqualTo(204);
        assertThat(client.post(api(link) + "/reply", "{\"problem\": \"The harp is missing.\"}")
                        .status())
                .isEqualTo(204);
        assertThat(client.post(api(link) + "/reply", "{}").status()).isEqualTo(422);
        assertThat(client.post(api(link) + "/reply", "{\"problem\": \"  \"}").status())
                .isEqualTo(422);
        JsonNode seen = client.get("/api/runs/" + run + "/pickups").json().get(0);
        assertThat(seen.get("fetched").asInt())
                .as("a download that broke off and went on is one")
                .isEqualTo(3);
        assertThat(seen.get("events").findValuesAsText("kind"))
                .containsExactly("problem", "arrived", "fetched", "fetched", "fetched", "opened");
        assertThat(seen.get("events").get(0).get("words").asText()).isEqualTo("The harp is missing.");
        Answer shortLink = client.get(link.get("path").asText());
        assertThat(shortLink.status()).isEqualTo(302);
        assertThat(shortLink.header("Location"))
                .isEqualTo("/#/pickup/" + link.get("path").asText().substring(3));
    }

    @Test
    void aPassPhraseKeepsEverythingShutAndGuessingIsSlowedDown() throws Exception {
        JsonNode link = link("{\"days\": 3, \"passPhrase\": \"low tide ü\"}");
        JsonNode shut = client.get(api(link)).json();
        assertThat(shut.get("locked").asBoolean()).isTrue();
        assertThat(shut.toString()).doesNotContain("Waltz", "Tuba");
        for (String path : List.of("/parcel", "/files/0", "/files/0/picture", "/sheet", "/sound?from=0")) {
            assertThat(client.get(api(link) + path).status()).as(path).isEqualTo(403);
            assertThat(client.get(api(link) + path, "Cookie", "apodex-key=0000").status())
                    .as(path)
                    .isEqualTo(403);
        }
        Answer opened = client.post(api(link) + "/unlock", "{\"passPhrase\": \" low tide ü \"}");
        assertThat(opened.status()).isEqualTo(204);
        String cookie = opened.header("Set-Cookie");
        assertThat(cookie).contains("HttpOnly", "SameSite=Strict", "Path=" + api(link));
        assertThat(client.get(api(link) + "/files/0", "Cookie", cookie.split(";")[0])
                        .status())
                .isEqualTo(200);
        for (int i = 0; i < 3; i++) {
            assertThat(client.post(api(link) + "/unlock", "{\"passPhrase\": \"ebb\"}")
                            .status())
                    .isEqualTo(403);
        }
        Answer slowed = client.post(api(link) + "/unlock", "{\"passPhrase\": \"low tide ü\"}");
        assertThat(slowed.status()).as("even the right one has to wait").isEqualTo(429);
        assertThat(slowed.json().get("detail").asText()).startsWith("Too many wrong tries. Try again in ");
        Thread.sleep(2_300);
        assertThat(client.post(api(link) + "/unlock", "{\"passPhrase\": \"ebb\"}")
                        .status())
                .isEqualTo(403);
        assertThat(client.post(api(link) + "/unlock", "{\"passPhrase\": \"low tide ü\"}")
                        .json()
                        .get("retryAfterSeconds")
                        .asInt())
                .as("twice as long")
                .isBetween(3, 5);
    }

    @Test
    void manyTriesAtOnceWinNothingAndCostNobodyElse() throws Exception {
        JsonNode link = link("{\"days\": 3, \"passPhrase\": \"low tide\"}");
        List<Integer> answers = IntStream.range(0, 200)
                .parallel()
                .mapToObj(i -> tried(link, "127.0.0.9", "ebb " + i))
                .toList();
        assertThat(answers).containsOnly(403, 429);
        assertThat(answers.stream().filter(status -> status == 403))
                .as("three are free, and no more are judged in two seconds")
                .hasSizeBetween(3, 4);
        assertThat(tried(link, "127.0.0.9", "low tide")).isEqualTo(429);
        assertThat(tried(link, "127.0.0.8", "low tide")).as("the receiver").isEqualTo(204);
    }

    @Test
    void aTokenInOtherLettersIsAnotherToken() throws Exception {
        String path = api(link("{\"days\": 3}"));
        int slash = path.lastIndexOf('/') + 1;
        String token = path.substring(slash);
        String other = token.chars()
                .mapToObj(c -> Character.toString(
                        Character.isUpperCase(c) ? Character.toLowerCase(c) : Character.toUpperCase(c)))
                .collect(Collectors.joining());
        assertThat(client.get(path).status()).isEqualTo(200);
        assertThat(client.get(path.substring(0, slash) + other).status()).isEqualTo(404);
    }

    /** Tries a pass phrase from an address of this machine's own network. @return the status */
    private int tried(JsonNode link, String from, String phrase) {
        byte[] body = ("{\"passPhrase\": \"" + phrase + "\"}").getBytes(StandardCharsets.UTF_8);
        URI uri = client.uri(api(link) + "/unlock");
        try (Socket socket = new Socket(uri.getHost(), uri.getPort(), InetAddress.getByName(from), 0)) {
            OutputStream out = socket.getOutputStream();
            out.write(("POST " + uri.getPath() + " HTTP/1.1\r\nHost: " + uri.getHost() + ":" + uri.getPort()
                            + "\r\nContent-Type: application/json\r\nConnection: close\r\nContent-Length: "
                            + body.length
                            + "\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            out.write(body);
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return Integer.parseInt(answer.split(" ")[1]);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void linksEndAreWithdrawnAndCannotBeGuessed() throws Exception {
        JsonNode link = link("{\"days\": 1}");
        JsonNode other = link("{\"days\": 1}");
        assertThat(link.get("path").asText())
                .hasSizeGreaterThan(30)
                .isNotEqualTo(other.get("path").asText());
        server.bean(JdbcTemplate.class)
                .update(
                        "UPDATE pickup SET ends_at = ? WHERE id = ?",
                        java.sql.Timestamp.from(Instant.now().minus(1, ChronoUnit.DAYS)),
                        link.get("id").asText());
        Answer ended = client.get(api(link) + "/parcel");
        assertThat(ended.status()).isEqualTo(410);
        assertThat(ended.json().get("detail").asText()).startsWith("This link ended on ");
        assertThat(client.post("/api/pickups/" + other.get("id").asText() + "/withdraw", "")
                        .json()
                        .get("withdrawn")
                        .asBoolean())
                .isTrue();
        assertThat(client.get(api(other)).status()).isEqualTo(410);
        assertThat(client.post(api(other) + "/reply", "{\"arrived\": true}").status())
                .isEqualTo(410);
        for (String guess :
                List.of("AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA", "a", "..%2F..%2Fetc%2Fpasswd", "%00", "x'%20OR%20'1'='1")) {
            assertThat(client.get("/api/p/" + guess).status()).as(guess).isIn(400, 404);
        }
        JsonNode open = link("{\"days\": 1}");
        for (String trick : List.of(
                "/files/-1",
                "/files/99",
                "/files/..%2F..%2Fresult.json",
                "/files/0/../../x",
                "/parcel?part=-1",
                "/parcel?part=9",
                "/sheet?form=exe",
                "/files/%2e%2e/picture")) {
            assertThat(client.get(api(open) + trick).status()).as(trick).isIn(400, 404);
        }
        assertThat(client.get("/p/..%2F..%2Fx").status()).isIn(302, 400, 404);
        for (String wrong : List.of(
                "{\"days\": 0}",
                "{\"days\": 9999}",
                "{\"days\": 1, \"message\": \"" + "x".repeat(4_001) + "\"}",
                "{\"days\": 1, \"passPhrase\": \"" + "ü".repeat(40) + "\"}")) {
            assertThat(client.post("/api/runs/" + run + "/pickups", wrong).status())
                    .isEqualTo(422);
        }
        assertThat(client.post("/api/runs/none/pickups", "{\"days\": 1}").status())
                .isEqualTo(404);
    }
}
