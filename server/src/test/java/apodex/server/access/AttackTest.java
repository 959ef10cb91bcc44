package apodex.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.server.Apodex;
import apodex.server.TestServer;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import apodex.server.accounts.AccountCommand;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;

/** What somebody tries who is not to come in. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
final class AttackTest {
    private static final String WRONG = "seven herrings in a barrel";

    @TempDir
    static Path data;

    private static final ListAppender<ILoggingEvent> LOG = new ListAppender<>();
    private static House house;
    private static Client receivers;

    @BeforeAll
    static void open() throws Exception {
        LOG.start();
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        house = new House(data, "--apodex.pickup.port=" + port, "--apodex.public-url=https://pickup.example/");
        receivers = new Client(port);
        ((Logger) LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME)).addAppender(LOG);
    }

    @AfterAll
    static void close() {
        ((Logger) LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME)).detachAppender(LOG);
        house.close();
        assertThat(LOG.list)
                .extracting(ILoggingEvent::getFormattedMessage)
                .as("no link and no pass phrase in the log, whatever was tried")
                .noneMatch(line -> line.contains(house.token) || line.contains(House.PHRASE) || line.contains(WRONG));
    }

    private static String body(String name, String phrase) {
        return "{\"name\": \"" + name + "\", \"passPhrase\": \"" + phrase + "\"}";
    }

    @Test
    @Order(1)
    void aWriteWithoutTheTokenIsRefusedWhoeverIsSignedIn() throws Exception {
        Client ann = house.people.get("Ann");
        Client thief = house.stranger.another();
        thief.haveCookie("apodex-session", ann.cookie("apodex-session"));
        assertThat(thief.post("/api/sessions/" + house.session + "/undo", "{\"revision\": 1}")
                        .status())
                .as("without a token")
                .isEqualTo(403);
        Client another = house.stranger.another();
        another.haveCookie("apodex-session", ann.cookie("apodex-session"));
        assertThat(another.send("POST", "/api/arrivals", new byte[0], "Tus-Resumable", "1.0.0", "Upload-Length", "5")
                        .status())
                .as("uploads too")
                .isEqualTo(403);
        Answer answer = house.stranger
                .another()
                .send(
                        "POST",
                        "/api/me/sign-in",
                        body("Ann", House.PHRASE).getBytes(StandardCharsets.UTF_8),
                        "Content-Type",
                        "application/json");
        assertThat(answer.status()).isEqualTo(403);
        assertThat(answer.json().get("detail").asText()).contains("out of date");
        assertThat(receivers
                        .another()
                        .post("/api/p/" + house.token + "/reply", "{\"arrived\": true}")
                        .status())
                .as("where receivers come, too")
                .isEqualTo(403);
    }

    @Test
    @Order(2)
    void aSessionIdFromBeforeOpensNothingAfterSigningIn() throws Exception {
        Client planted = house.stranger.another();
        planted.get("/api/me");
        planted.haveCookie("apodex-session", "cGxhbnRlZC1ieS1zb21lYm9keS1lbHNl");
        planted.post("/api/me/sign-in", body("Odd", House.PHRASE));
        String after = planted.cookie("apodex-session");
        assertThat(after).isNotEqualTo("cGxhbnRlZC1ieS1zb21lYm9keS1lbHNl").isNotEmpty();
        planted.post("/api/me/sign-in", body("Odd", House.PHRASE));
        assertThat(planted.cookie("apodex-session"))
                .as("another at each signing in")
                .isNotEqualTo(after);
        Client old = house.stranger.another();
        old.haveCookie("apodex-session", after);
        assertThat(old.get("/api/sessions").status()).isEqualTo(401);
        String last = planted.cookie("apodex-session");
        planted.post("/api/me/sign-out", "");
        old.haveCookie("apodex-session", last);
        assertThat(old.get("/api/sessions").status()).isEqualTo(401);
    }

    @Test
    @Order(3)
    void signingOutEverywhereAndAnotherPassPhraseEndOtherBrowsers() throws Exception {
        Client here = house.stranger.signedIn("Odd", House.PHRASE);
        Client there = house.stranger.signedIn("Odd", House.PHRASE);
        String other = "eight oysters on the pier";
        assertThat(here.put("/api/me/phrase", "{\"before\": \"" + House.PHRASE + "\", \"after\": \"short\"}")
                        .status())
                .isEqualTo(422);
        for (String guessed :
                List.of("password1234", "qwertyuiop12", "aaaaaaaaaaaaaaaa", "odd odd odd odd", "123456789012")) {
            assertThat(here.put(
                                    "/api/me/phrase",
                                    "{\"before\": \"" + House.PHRASE + "\", \"after\": \"" + guessed + "\"}")
                            .status())
                    .as(guessed)
                    .isEqualTo(422);
        }
        assertThat(here.put("/api/me/phrase", "{\"before\": \"" + WRONG + "\", \"after\": \"" + other + "\"}")
                        .status())
                .isEqualTo(401);
        assertThat(here.put("/api/me/phrase", "{\"before\": \"" + House.PHRASE + "\", \"after\": \"" + other + "\"}")
                        .status())
                .isEqualTo(204);
        assertThat(there.get("/api/sessions").status()).isEqualTo(401);
        assertThat(here.get("/api/me/log").text())
                .as("what was tried and what was changed is told")
                .contains("signInFailed", "changed the pass phrase");
        assertThat(here.get("/api/sessions").status()).isEqualTo(200);
        Client third = house.stranger.signedIn("Odd", other);
        third.post("/api/me/sign-out-everywhere", "");
        assertThat(here.get("/api/sessions").status()).isEqualTo(401);
    }

    @Test
    @Order(3)
    void whoCameInLongAgoAddsNoPasskeyAndComesInAgain() throws Exception {
        Client pat = house.stranger.signedIn("Pat", House.PHRASE);
        assertThat(pat.post("/webauthn/register/options", "").status()).isEqualTo(200);
        assertThat(house.stranger
                        .another()
                        .post("/webauthn/register/options", "")
                        .status())
                .isIn(401, 403);
        database()
                .update(
                        "UPDATE SPRING_SESSION SET CREATION_TIME = CREATION_TIME - 43200001 WHERE PRINCIPAL_NAME = 'Pat'");
        Class<?> logins = Class.forName("apodex.server.accounts.LoginSessions");
        var sweep = logins.getDeclaredMethod("endOld");
        sweep.setAccessible(true);
        sweep.invoke(house.server.bean(logins));
        assertThat(pat.get("/api/sessions").status()).isEqualTo(401);
        house.people.put("Pat", house.stranger.signedIn("Pat", House.PHRASE));
    }

    @Test
    @Order(4)
    void linksAreGoodOnceAndOnlyWhileTheyLast() throws Exception {
        Client ann = house.people.get("Ann");
        String path = ann.post("/api/sessions/" + house.session + "/invitations", "{\"may\": \"change\", \"days\": 1}")
                .json()
                .get("path")
                .asText();
        String token = path.substring(path.lastIndexOf('/') + 1);
        List<Answer> taken = TestServer.atOnce(4, number -> house.people
                .get(List.of("Lee", "Pat", "Cho", "Cho").get(number))
                .post("/api/invitations/" + token, "{}"));
        assertThat(taken.stream().filter(answer -> answer.status() == 200))
                .as("one of four at once")
                .hasSize(1);
        assertThat(taken.stream().filter(answer -> answer.status() == 410)).hasSize(3);
        for (String ended : List.of("/api/invitations/" + token, "/api/welcome/" + token)) {
            assertThat(house.people.get("Lee").get(ended).status()).isEqualTo(410);
        }
        Client receiver = receivers.another();
        assertThat(receiver.get("/api/p/" + house.token).status()).isEqualTo(200);
        assertThat(receiver.get("/api/p/" + house.token.toUpperCase()).status()).isEqualTo(404);
        JsonNode link =
                ann.post("/api/runs/" + house.run + "/pickups", "{\"days\": 1}").json();
        assertThat(link.get("url").asText()).startsWith("https://pickup.example/p/");
        String other = link.get("path").asText().substring(3);
        database()
                .update(
                        "UPDATE pickup SET ends_at = '2020-01-01' WHERE id = ?",
                        link.get("id").asText());
        for (String what : List.of("", "/parcel", "/files/0", "/sheet", "/sound?from=0")) {
            assertThat(receiver.get("/api/p/" + other + what).status()).as(what).isEqualTo(410);
        }
    }

    private static JdbcTemplate database() {
        return house.server.bean(JdbcTemplate.class);
    }

    @Test
    @Order(5)
    void aStolenDatabaseOpensNothing() {
        Set<String> found = new HashSet<>();
        List<String> tables = database().queryForList("SHOW TABLES", String.class);
        for (String table : tables) {
            String all =
                    database().queryForList("SELECT * FROM `" + table + "`").toString();
            if (all.contains(house.token) || all.contains(House.PHRASE)) {
                found.add(table);
            }
        }
        assertThat(tables).contains("pickup", "account");
        assertThat(found).isEmpty();
        Path key = data.resolve("house.key");
        assertThat(key).exists();
        try {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(key)))
                    .isEqualTo("rw-------");
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    @Order(6)
    void theReceiversListenerServesNothingElse() throws Exception {
        assertThat(receivers.get("/p/" + house.token).status()).isEqualTo(302);
        for (String path : List.of("/", "/api/p/" + house.token, "/api/p/" + house.token + "/sheet")) {
            assertThat(receivers.get(path).status()).as(path).isEqualTo(200);
        }
        Client ann = receivers.another();
        ann.haveCookie("apodex-session", house.people.get("Ann").cookie("apodex-session"));
        for (String path : List.of(
                "/api/sessions",
                "/api/me",
                "/api/sessions/" + house.session,
                "/api/runs/" + house.run + "/parcel",
                "/api/openapi",
                "/actuator/health",
                "/webauthn/authenticate/options",
                "/api/p/" + house.token + "/../../sessions",
                "/api/p/" + house.token + "/%2e%2e/%2e%2e/sessions",
                "/api/p/..;/sessions",
                "//api/sessions")) {
            assertThat(raw(ann, "GET " + path, "")).as(path).matches("(?s)HTTP/1.1 (400|404).*");
        }
        assertThat(ann.post("/api/me/sign-in", body("Ann", House.PHRASE)).status())
                .isEqualTo(404);
    }

    @ParameterizedTest
    @Order(7)
    @ValueSource(
            strings = {
                "/api//sessions",
                "//api/sessions",
                "/api/sessions;a=b",
                "/api/p/../sessions",
                "/assets/../api/sessions",
                "/assets/%2e%2e/api/sessions",
                "/api/p/x/%2e%2e/%2e%2e/sessions",
                "/API/sessions",
                "/api/sessions/",
                "/api/sessions/.json",
                "/api/sessions%00",
                "/api/sessions%2f",
                "/p/%2e%2e/api/sessions",
                "/actuator",
                "/actuator/env",
                "/actuator/health/../env",
                "/error",
                "/login",
                "/logout",
                "/webauthn/register",
                "/login/webauthn.js"
            })
    void noPathLeadsAroundTheDoor(String path) throws Exception {
        String answer = raw(house.stranger, "GET " + path, "");
        assertThat(answer).doesNotContain(house.session).doesNotContain("Low Tide");
        assertThat(answer).matches("(?s)HTTP/1.1 (400|401|403|404|405).*");
    }

    private static String raw(Client client, String request, String headers) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", client.uri("/").getPort())) {
            String cookie = client.cookie("apodex-session").isEmpty()
                    ? ""
                    : "Cookie: apodex-session=" + client.cookie("apodex-session") + "\r\n";
            socket.getOutputStream()
                    .write((request + " HTTP/1.1\r\nHost: localhost\r\n" + cookie + headers
                                    + "Connection: close\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    @Order(8)
    void behindAProxyThatEncryptsCookiesAndAddressesFollow() throws Exception {
        String secure = raw(
                house.stranger.another(),
                "GET /api/me",
                "X-Forwarded-Proto: https\r\nX-Forwarded-For: 203.0.113.9\r\n");
        assertThat(secure).contains("Strict-Transport-Security: max-age=", "XSRF-TOKEN=", "Secure");
        assertThat(raw(house.stranger.another(), "GET /api/me", ""))
                .contains("XSRF-TOKEN=")
                .doesNotContain("Strict-Transport")
                .doesNotContain("Secure");
    }

    @Test
    @Order(9)
    void aDeskIsNotReachedThroughAProxy() throws Exception {
        Client desk = TestServer.shared().client();
        assertThat(raw(desk, "GET /api/sessions", "")).startsWith("HTTP/1.1 200");
        for (String header : List.of("X-Forwarded-For: 203.0.113.9", "Forwarded: for=203.0.113.9", "Via: 1.1 proxy")) {
            assertThat(raw(desk, "GET /api/sessions", header + "\r\n"))
                    .as(header)
                    .startsWith("HTTP/1.1 403");
        }
    }

    @Test
    @Order(10)
    void whatIsOversizedIsRefusedAndNothingFallsOver() throws Exception {
        Client odd = house.people.get("Lee");
        String much = "x".repeat(3_000_000);
        assertThat(odd.post("/api/me/sign-in", body(much, much)).status()).isIn(400, 401, 413, 429);
        assertThat(odd.put("/api/me/mail", "{\"mail\": \"" + "a".repeat(400) + "@example.org\"}")
                        .status())
                .isEqualTo(422);
        Client receiver = receivers.another();
        receiver.get("/api/p/" + house.token);
        assertThat(receiver.post("/api/p/" + house.token + "/reply", "{\"problem\": \"" + much + "\"}")
                        .status())
                .isEqualTo(413);
        assertThat(receiver.post("/api/p/" + house.token + "/reply", "{\"problem\": \"" + "x".repeat(8_001) + "\"}")
                        .status())
                .isEqualTo(422);
        assertThat(raw(
                        house.stranger,
                        "POST /api/sessions/import",
                        "Content-Type: multipart/form-data; boundary=b\r\nContent-Length: 60000000000\r\n"))
                .as("refused before any of it is taken in")
                .startsWith("HTTP/1.1 403");
        assertThat(raw(house.stranger, "GET /api/me", "X-Long: " + "y".repeat(100_000) + "\r\n"))
                .startsWith("HTTP/1.1 400");
        for (int i = 0; i < 120; i++) {
            receiver.post("/api/p/" + house.token + "/reply", "{\"problem\": \"no. " + i + "\"}");
        }
        assertThat(receiver.post("/api/p/" + house.token + "/reply", "{\"arrived\": true}")
                        .status())
                .isEqualTo(429);
        assertThat(database().queryForObject("SELECT COUNT(*) FROM pickup_event WHERE kind = 'PROBLEM'", Integer.class))
                .isEqualTo(100);
    }

    /** Last, since who guesses has to wait. */
    @Test
    @Order(20)
    void ofAThousandTriesAtOnceNoMoreAreJudgedThanAreAllowed() throws Exception {
        Client guesser = house.stranger.another();
        guesser.get("/api/me");
        List<Answer> answers = TestServer.atOnce(
                200,
                5,
                number -> guesser.post(
                        "/api/me/sign-in",
                        body(List.of("Cho", "cho", "Chö", "CHÓ").get(number % 4), WRONG)));
        long judged = answers.stream().filter(answer -> answer.status() == 401).count();
        assertThat(judged).isBetween(1L, 6L);
        assertThat(answers.stream().filter(answer -> answer.status() == 429).count())
                .isEqualTo(1_000 - judged);
        assertThat(guesser.post("/api/me/sign-in", body("Cho", House.PHRASE)).status())
                .as("and then not even the right one")
                .isEqualTo(429);
        assertThat(house.people.get("Cho").get("/api/sessions").status())
                .as("it costs the guesser, not whoever is signed in")
                .isEqualTo(200);
    }

    /** Whoever comes later under the name of somebody who left. */
    @Test
    @Order(22)
    void theNextOfANameIsOpenedByNothingOfTheOneBefore() throws Exception {
        JdbcTemplate database = database();
        database.update("INSERT INTO user_entities (id, name) VALUES ('old', 'Lee')");
        database.update(
                """
                INSERT INTO user_credentials (credential_id, user_entity_user_id, public_key, backup_eligible, backup_state, label)
                VALUES ('old key', 'old', 'x', FALSE, FALSE, 'x')""");
        Client lee = house.people.get("Lee");
        assertThat(lee.get("/api/sessions").status()).isEqualTo(200);
        for (String what : List.of("remove", "add")) {
            Apodex.command(
                    AccountCommand.class,
                    context -> AccountCommand.run(context, List.of(what, "Lee")),
                    "--apodex.data=" + data);
        }
        assertThat(lee.get("/api/sessions").status()).as("signed in before").isEqualTo(401);
        assertThat(database.queryForObject("SELECT COUNT(*) FROM user_credentials", Integer.class))
                .isZero();
        assertThat(database.queryForObject(
                        "SELECT COUNT(*) FROM member m JOIN account a ON a.owner_id = m.owner_id WHERE a.name = 'Lee'",
                        Integer.class))
                .isZero();
    }

    @Test
    @Order(21)
    void nobodyLearnsWhichNamesThereAre() throws Exception {
        Set<String> said = new ArrayList<>(List.of("Pat", "Nobody Here"))
                .stream()
                        .map(name -> {
                            try {
                                Client client = house.stranger.another();
                                client.get("/api/me");
                                return client.send(
                                                "POST",
                                                "/api/me/sign-in",
                                                body(name, WRONG).getBytes(StandardCharsets.UTF_8),
                                                "Content-Type",
                                                "application/json",
                                                "X-Forwarded-For",
                                                "198.51.100.7")
                                        .text();
                            } catch (Exception e) {
                                throw new AssertionError(e);
                            }
                        })
                        .collect(Collectors.toSet());
        assertThat(said).hasSize(1);
        assertThat(said.iterator().next()).contains("do not belong together");
    }
}
