package apodex.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/**
 * Hostile requests to every operation that the OpenAPI document tells of: whatever comes, the answer is a sentence, never a 500, and says
 * nothing of the inside. {@code -Dapodex.hostile.seed} and {@code -Dapodex.hostile.each} choose others, or more.
 */
final class HostileRequestsTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final long SEED = Long.getLong("apodex.hostile.seed", 13);
    private static final int EACH = Integer.getInteger("apodex.hostile.each", 8);
    private static final int DEEPEST = 6;
    private static final List<String> WORDS = List.of(
            "",
            " ",
            "none",
            "0",
            "-1",
            "1e999",
            "NaN",
            "9223372036854775807",
            "99999999999999999999",
            "../../etc/passwd",
            "..\\..\\x",
            "a\u0000b",
            "' OR 1=1 --",
            "<script>alert(1)</script>",
            "{{7*7}}${7*7}",
            "\uD83C\uDFBA\uD83C\uDFBA",
            "\u202Egnp.exe",
            "%s%n%x",
            "null",
            "x".repeat(3_000));

    private final SplittableRandom random = new SplittableRandom(SEED);
    private final JsonNode document;
    private final Client client;
    private final String dataFolder;
    /** Things there are, by how paths call them. */
    private final Map<String, String> real;

    HostileRequestsTest() throws Exception {
        TestServer server = TestServer.shared();
        client = server.client();
        document = JSON.readTree(Files.readString(Path.of("..", "docs", "openapi.json")));
        String session = client.bringIn(
                        "Hostile", "Tuba.wav", SoundBytes.mono24(1, 2, 3), "Bass.wav", SoundBytes.mono24(4, 5, 6))
                .json()
                .get("id")
                .asText();
        String handoff = client.handoff(session);
        String run = client.run(handoff);
        client.await(run);
        dataFolder = server.run(run).getParent().getParent().toString();
        real = Map.of("sessions", session, "handoffs", handoff, "runs", run);
    }

    @Test
    void everyOperationAnswersInASentenceWhateverComes() throws Exception {
        List<String> asked = new ArrayList<>();
        for (var path : document.get("paths").properties()) {
            for (var operation : path.getValue().properties()) {
                for (int i = 0; i < EACH; i++) {
                    ask(operation.getKey(), path.getKey(), operation.getValue(), asked);
                }
            }
        }
        assertThat(asked).hasSizeGreaterThan(40 * EACH);
        assertThat(client.get("/api/sessions").status()).isEqualTo(200);
        assertThat(client.get("/api/runs/" + real.get("runs") + "/parcel").status())
                .as("what was whole before is whole")
                .isEqualTo(200);
    }

    private void ask(String method, String path, JsonNode operation, List<String> asked) throws Exception {
        String target = filled(path, method) + query(operation);
        JsonNode content = operation.path("requestBody").path("content");
        Answer answer;
        String body = "";
        if (content.has("multipart/form-data")) {
            byte[] bytes = new byte[random.nextInt(200)];
            random.nextBytes(bytes);
            answer = client.upload(
                    target, random.nextBoolean() ? word() : null, Map.of(word().replaceAll("[\\r\\n\"]", "_"), bytes));
        } else {
            body = content.isMissingNode()
                    ? ""
                    : body(content.path("application/json").path("schema"));
            answer = switch (method) {
                case "get" -> client.get(target);
                case "delete" -> client.delete(target);
                case "put" -> client.put(target, body);
                case "post" -> client.post(target, body);
                case "head" -> client.head(target);
                case "patch" ->
                    client.send(
                            "PATCH",
                            target,
                            body.getBytes(UTF_8),
                            "Tus-Resumable",
                            word().replaceAll("\\W", "1") + ".0");
                default -> throw new IllegalStateException(method + " is new here.");
            };
        }
        String what = method + " " + target + " " + body.substring(0, Math.min(600, body.length()));
        asked.add(what);
        assertThat(answer.status()).as(what).isLessThan(500);
        if (answer.status() >= 400) {
            assertThat(answer.text())
                    .as(what)
                    .doesNotContain("apodex.", "java.", "Exception", "org.springframework", "SELECT ", dataFolder);
        }
    }

    /** Ids that there are not, and now and then those that there are; nothing that is there is removed. */
    private String filled(String path, String method) {
        StringBuilder filled = new StringBuilder();
        String kind = "";
        for (String part : path.substring(1).split("/")) {
            boolean removes = method.equals("delete") || path.endsWith("/forget");
            boolean there = part.startsWith("{") && real.containsKey(kind) && !removes;
            filled.append('/')
                    .append(
                            !part.startsWith("{")
                                    ? part
                                    : there && random.nextInt(4) > 0 ? real.get(kind) : encoded(word()));
            kind = part;
        }
        return filled.toString();
    }

    private String query(JsonNode operation) {
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.path("parameters")) {
            if (parameter.get("in").asText().equals("query") && random.nextInt(3) > 0) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(parameter.get("name").asText())
                        .append('=')
                        .append(encoded(word()));
            }
        }
        return query.toString();
    }

    /** A path part that is empty would be another path, and a client refuses to send some. */
    private static String encoded(String word) {
        return URLEncoder.encode(word.isBlank() ? "_" : word, StandardCharsets.UTF_8)
                .replace("+", "%20")
                .replace("%2F", "_")
                .replace("%5C", "_")
                .replace("%00", "%01");
    }

    private String word() {
        return WORDS.get(random.nextInt(WORDS.size()));
    }

    private String body(JsonNode schema) throws Exception {
        switch (random.nextInt(10)) {
            case 0 -> {
                return "";
            }
            case 1 -> {
                return "{\"a\": ".repeat(200);
            }
            case 2 -> {
                return JSON.writeValueAsString(hostile());
            }
            default -> {
                JsonNode made = made(schema, 0);
                spoil(made, 1 + random.nextInt(3));
                return JSON.writeValueAsString(made);
            }
        }
    }

    /** Something that fits a schema, as far as it goes. */
    private JsonNode made(JsonNode schema, int depth) {
        JsonNode shape = schema;
        for (int i = 0; i < 20 && shape.has("$ref"); i++) {
            shape = document.at(shape.get("$ref").asText().substring(1));
        }
        for (String choice : List.of("oneOf", "anyOf")) {
            if (shape.has(choice)) {
                JsonNode options = shape.get(choice);
                return made(options.get(random.nextInt(options.size())), depth);
            }
        }
        if (shape.has("allOf")) {
            ObjectNode all = JSON.createObjectNode();
            for (JsonNode part : shape.get("allOf")) {
                if (made(part, depth) instanceof ObjectNode object) {
                    all.setAll(object);
                }
            }
            return all;
        }
        if (shape.has("enum")) {
            return shape.get("enum").get(random.nextInt(shape.get("enum").size()));
        }
        JsonNode type = shape.path("type");
        switch (type.isArray() ? type.get(0).asText() : type.asText()) {
            case "string" -> {
                return JSON.getNodeFactory().textNode(word());
            }
            case "integer", "number" -> {
                return JSON.getNodeFactory().numberNode(random.nextInt(-2, 5));
            }
            case "boolean" -> {
                return JSON.getNodeFactory().booleanNode(random.nextBoolean());
            }
            case "array" -> {
                ArrayNode array = JSON.createArrayNode();
                for (int i = random.nextInt(3); depth < DEEPEST && i > 0; i--) {
                    array.add(made(shape.path("items"), depth + 1));
                }
                return array;
            }
            default -> {
                ObjectNode object = JSON.createObjectNode();
                if (depth < DEEPEST) {
                    for (var property : shape.path("properties").properties()) {
                        object.set(property.getKey(), made(property.getValue(), depth + 1));
                    }
                }
                return object;
            }
        }
    }

    /** Takes members out, or puts in their place what does not belong there. */
    private void spoil(JsonNode node, int times) {
        for (int i = 0; i < times; i++) {
            JsonNode at = node;
            for (int depth = random.nextInt(4); depth > 0 && at.size() > 0; depth--) {
                List<JsonNode> inside = new ArrayList<>();
                at.forEach(inside::add);
                at = inside.get(random.nextInt(inside.size()));
            }
            if (at instanceof ObjectNode object && !object.isEmpty()) {
                List<String> names = new ArrayList<>();
                object.fieldNames().forEachRemaining(names::add);
                String name = names.get(random.nextInt(names.size()));
                if (random.nextBoolean()) {
                    object.remove(name);
                } else {
                    object.set(name, hostile());
                }
            } else if (at instanceof ArrayNode array) {
                array.add(hostile());
            }
        }
    }

    private JsonNode hostile() {
        return switch (random.nextInt(8)) {
            case 0 -> JSON.nullNode();
            case 1 -> JSON.createArrayNode().add(JSON.nullNode());
            case 2 -> JSON.getNodeFactory().numberNode(Long.MAX_VALUE);
            case 3 -> JSON.getNodeFactory().numberNode(-1.7e308);
            case 4 -> JSON.getNodeFactory().booleanNode(true);
            case 5 -> JSON.createObjectNode().put("type", "nothing");
            default -> JSON.getNodeFactory().textNode(word());
        };
    }
}
