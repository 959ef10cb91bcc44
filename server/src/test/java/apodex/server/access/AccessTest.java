package apodex.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;

/** Every address of the API, asked by everybody there can be. Those that remove things come last. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
final class AccessTest {
    private static final List<String> RANKS = List.of("anyone", "account", "listen", "print", "change", "own");

    @TempDir
    static Path data;

    private static House house;

    @BeforeAll
    static void open() throws Exception {
        house = new House(data);
    }

    @AfterAll
    static void close() {
        house.close();
    }

    /** @param least what somebody must be */
    private record Line(String method, String path, String least) {
        String address() {
            return method + " " + path;
        }

        boolean ends() {
            return method.equals("DELETE")
                    || path.contains("sign-out")
                    || path.endsWith("/forget")
                    || path.matches("/api/intakes/.id./session");
        }
    }

    private static List<Line> table() throws IOException {
        try (InputStream in = AccessTest.class.getResourceAsStream("who-may.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> line.split("\\s+"))
                    .map(parts -> new Line(parts[0], parts[1], parts[2]))
                    .toList();
        }
    }

    @Test
    @Order(1)
    void everyAddressHasALine() throws Exception {
        JsonNode document = house.people.get("Ann").get("/api/openapi").json();
        Set<String> addresses = new TreeSet<>();
        document.get("paths").fields().forEachRemaining(path -> path.getValue()
                .fieldNames()
                .forEachRemaining(method -> addresses.add(method.toUpperCase() + " " + path.getKey())));
        assertThat(table().stream().map(Line::address))
                .as("say in who-may.txt and in AccessTable who may ask it")
                .containsExactlyInAnyOrderElementsOf(addresses);
    }

    @Test
    @Order(2)
    void everybodyIsAnsweredAsTheTableSays() throws Exception {
        for (Line line : table().stream().filter(line -> !line.ends()).toList()) {
            askedByAll(line);
        }
    }

    @Test
    @Order(9)
    void removingTooIsForThoseWhoMay() throws Exception {
        for (Line line : table().stream()
                .filter(Line::ends)
                .filter(line -> !line.path().contains("sign-out"))
                .toList()) {
            askedByAll(line);
        }
        for (Line line : table().stream()
                .filter(each -> each.path().contains("sign-out"))
                .toList()) {
            askedByAll(line);
        }
    }

    private static void askedByAll(Line line) throws Exception {
        Map<String, String> ranks = new LinkedHashMap<>();
        ranks.put("nobody", "anyone");
        ranks.put("Odd", "account");
        ranks.put("Lee", "listen");
        ranks.put("Pat", "print");
        ranks.put("Cho", "change");
        ranks.put("Ann", "own");
        for (Map.Entry<String, String> each : ranks.entrySet()) {
            Client client = each.getKey().equals("nobody") ? house.stranger : house.people.get(each.getKey());
            Answer answer = client.send(
                    line.method(),
                    filledIn(line.path()),
                    body(line),
                    "Content-Type",
                    type(line),
                    "Tus-Resumable",
                    "1.0.0");
            String as = line.address() + " by " + each.getKey() + ": " + answer.status() + " " + answer.text();
            String said = answer.text();
            boolean isThere = !said.contains("that you can see");
            int status = answer.status();
            assertThat(status).as(as).isLessThan(500);
            if (allowed(line, each.getKey(), each.getValue())) {
                assertThat(isThere
                                && status != 403
                                && (status != 401 || line.path().contains("sign-in")))
                        .as("allowed: " + as)
                        .isTrue();
                if (line.path().contains("sign-out")) {
                    assertThat(client.get("/api/sessions").status())
                            .as("signed out")
                            .isEqualTo(401);
                    house.people.put(each.getKey(), house.stranger.signedIn(each.getKey(), House.PHRASE));
                }
                if (line.ends() && status < 300 && !line.least().equals("account")) {
                    return; // gone for whoever else may
                }
            } else if (each.getKey().equals("nobody")) {
                assertThat(status).as(as).isEqualTo(401);
            } else if (sees(line, each.getValue())) {
                assertThat(status).as(as).isEqualTo(403);
            } else {
                assertThat(status).as(as).isEqualTo(404);
                assertThat(isThere).as(as).isFalse();
            }
        }
    }

    private static boolean allowed(Line line, String who, String rank) {
        return switch (line.least()) {
            case "mine", "house" -> who.equals("Ann");
            case "ours" -> !who.equals("nobody");
            default -> RANKS.indexOf(rank) >= RANKS.indexOf(line.least());
        };
    }

    /** Whether it is no secret to them that the thing is there. */
    private static boolean sees(Line line, String rank) {
        return line.path().startsWith("/api/briefs")
                || line.least().equals("house")
                || !line.least().equals("mine") && RANKS.indexOf(rank) >= RANKS.indexOf("listen");
    }

    private static String filledIn(String path) {
        String id = path.contains("/handoffs/{id}")
                ? house.handoff
                : path.contains("/runs/{id}")
                        ? house.run
                        : path.startsWith("/api/pickups")
                                ? house.pickup
                                : path.startsWith("/api/intakes")
                                        ? house.intake
                                        : path.startsWith("/api/briefs") ? house.shared : house.session;
        String token = path.startsWith("/api/p/") ? house.token : "none-of-those-tokens-there-are";
        String filled = path.replace("{id}", id)
                .replace("{sessionId}", house.session)
                .replace("{handoffId}", house.handoff)
                .replace("{runId}", house.run)
                .replace("{sha256}", house.sha256)
                .replace("{token}", token)
                .replaceAll("\\{(file|zoom|tile)}", "0")
                .replaceAll("\\{(watch|member|invitation|name)}", "none");
        return path.endsWith("/sound") ? filled + "?from=0&to=1&files=1" : filled;
    }

    /** Something that is allowed or not before it is found wrong. */
    private static byte[] body(Line line) {
        return switch (line.method()) {
            case "POST", "PUT" -> "{\"nonsense\": 1}".getBytes(StandardCharsets.UTF_8);
            default -> new byte[0];
        };
    }

    private static String type(Line line) {
        return line.path().endsWith("/import") || line.path().endsWith("/files")
                ? "multipart/form-data; boundary=none"
                : "application/json";
    }

    @Test
    @Order(3)
    void listsHoldOnlyOnesOwn() throws Exception {
        for (String name : List.of("Ann", "Lee", "Pat", "Cho")) {
            JsonNode shelf = house.people.get(name).get("/api/sessions").json().get("sessions");
            assertThat(shelf.findValuesAsText("id")).as(name).contains(house.session);
        }
        Client odd = house.people.get("Odd");
        assertThat(odd.get("/api/sessions").json().get("sessions")).isEmpty();
        assertThat(odd.get("/api/intakes").json()).isEmpty();
        assertThat(odd.get("/api/queue").json()).isEmpty();
        assertThat(odd.get("/api/briefs").json().findValuesAsText("id"))
                .contains(house.shared)
                .doesNotContain(house.brief);
        assertThat(odd.get("/api/briefs/" + house.brief + "/file").status()).isEqualTo(404);
    }

    @Test
    @Order(4)
    void aHashInADocumentIsNobodysSound() throws Exception {
        byte[] zip = house.people
                .get("Ann")
                .get("/api/sessions/" + house.session + "/file")
                .whole()
                .body();
        byte[] document = inZip(zip, "session.json");
        assertThat(new String(document, StandardCharsets.UTF_8)).contains(house.sha256);
        Client odd = house.people.get("Odd");
        JsonNode made = odd.bringIn("Taken", "session.json", document).json();
        assertThat(made.get("missing").toString()).contains("Tuba.wav");
        String id = made.get("id").asText();
        assertThat(odd.get("/api/sessions/" + id).text()).doesNotContain(house.sha256);
        assertThat(odd.get("/api/sessions/" + id + "/sound?from=0").status()).isEqualTo(422);
        assertThat(odd.get("/api/recordings/" + house.sha256 + "/waveform/0/0").status())
                .isEqualTo(404);
        byte[] never = new String(document, StandardCharsets.UTF_8)
                .replace(house.sha256, "0".repeat(64))
                .getBytes(StandardCharsets.UTF_8);
        JsonNode neverCame = odd.bringIn("Taken", "session.json", never).json();
        assertThat(neverCame.get("missing"))
                .as("nobody learns whether somebody else has it")
                .isEqualTo(made.get("missing"));
        for (String name : List.of("Lee", "Pat")) {
            assertThat(house.people
                            .get(name)
                            .bringIn("Not theirs", "session.json", document)
                            .json()
                            .get("missing"))
                    .as(name + " may not take the session out as a file either")
                    .isEqualTo(made.get("missing"));
        }
        assertThat(house.people
                        .get("Cho")
                        .bringIn("Theirs too", "session.json", document)
                        .json()
                        .get("missing"))
                .as("who may take it out has it")
                .isEmpty();
    }

    @Test
    @Order(5)
    void aHashInAnEditIsNobodysSound() throws Exception {
        Client odd = house.people.get("Odd");
        String own = odd.bringIn("Odd's", "Bell.wav", SoundBytes.mono24(9, 9, 9, 9))
                .json()
                .get("id")
                .asText();
        JsonNode recording = house.people
                .get("Ann")
                .get("/api/sessions/" + house.session)
                .json()
                .at("/session/recordings/0");
        Answer answer = odd.post(
                "/api/sessions/" + own + "/edits",
                "{\"revision\": 1, \"edit\": {\"type\": \"useRecordings\", \"recordings\": [" + recording + "]}}");
        assertThat(answer.status()).as(answer.text()).isBetween(400, 422);
        assertThat(odd.get("/api/sessions/" + own).text()).doesNotContain(house.sha256);
    }

    @Test
    @Order(6)
    void whatOnePersonSentIsNoneOfAnothers() throws Exception {
        String upload = House.arrived(house.people.get("Ann"), "Secret.wav");
        Client odd = house.people.get("Odd");
        for (String body : List.of("{\"uploads\": [\"" + upload + "\"]}")) {
            assertThat(odd.post("/api/intakes", body).status()).isEqualTo(410);
            assertThat(odd.post("/api/sessions/import/arrived", body).status()).isEqualTo(410);
        }
        assertThat(odd.send("HEAD", "/api/arrivals/" + upload, new byte[0], "Tus-Resumable", "1.0.0")
                        .status())
                .isEqualTo(404);
        assertThat(odd.post(
                                "/api/intakes",
                                "{\"uploads\": [\"" + House.arrived(odd, "Own.wav") + "\"], \"session\": \""
                                        + house.session + "\"}")
                        .status())
                .as("into a session of somebody else")
                .isEqualTo(404);
        String own = odd.bringIn("Odd's", "Bell.wav", SoundBytes.mono24(1, 9, 9, 9))
                .json()
                .get("id")
                .asText();
        assertThat(odd.get("/api/sessions/" + own + "/findings?handoff=" + house.handoff)
                        .status())
                .as("with a handoff of somebody else")
                .isEqualTo(404);
    }

    @Test
    @Order(7)
    void whoIsPutOutIsOut() throws Exception {
        Client ann = house.people.get("Ann");
        Client lee = house.people.get("Lee");
        String sharing = "/api/sessions/" + house.session + "/members";
        String id = Stream.of(
                        new ObjectMapper().convertValue(ann.get(sharing).json().get("members"), Map[].class))
                .filter(member -> member.get("name").equals("Lee"))
                .map(member -> (String) member.get("id"))
                .findFirst()
                .orElseThrow();
        assertThat(ann.put(sharing + "/" + id, "{\"may\": \"change\"}").status())
                .isEqualTo(200);
        assertThat(lee.post("/api/sessions/" + house.session + "/undo", "{\"revision\": 77}")
                        .status())
                .isEqualTo(409);
        assertThat(ann.put(sharing + "/" + id, "{\"may\": \"own\"}").status()).isEqualTo(422);
        ann.delete(sharing + "/" + id);
        assertThat(lee.get("/api/sessions/" + house.session).status()).isEqualTo(404);
        assertThat(lee.get("/api/runs/" + house.run + "/parcel").status()).isEqualTo(404);
        house.letIn("Lee", "listen");
        assertThat(ann.get("/api/sessions/" + house.session + "/log").text())
                .contains("Lee is out", "may listen and fetch", "\"who\":\"Lee\"");
    }

    private static byte[] inZip(byte[] zip, String name) throws IOException {
        try (var in = new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(zip))) {
            for (var entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (entry.getName().endsWith(name)) {
                    return in.readAllBytes();
                }
            }
        }
        throw new AssertionError("no " + name);
    }
}
