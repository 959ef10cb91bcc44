package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.demo.LowTideWaltz;
import apodex.handoff.Brief;
import apodex.handoff.BriefDocument;
import apodex.intake.RecordingStore;
import apodex.intake.SessionFile;
import apodex.session.SessionDocument;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** docs/session.schema.json says what a saved session looks like, and a schema validator agrees. */
final class SessionSchemaTest {
    private static final Path KEPT = Path.of("../docs/session.schema.json");
    private static final ObjectMapper JSON = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    @Test
    void theKeptSchemaIsCurrent() throws Exception {
        JsonNode schemas = JSON.readTree(
                        Files.readString(Path.of("../docs/openapi.json")).replace("#/components/schemas/", "#/$defs/"))
                .at("/components/schemas");
        ObjectNode schema = JSON.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("title", "A saved Apodex session")
                .put("type", "object");
        schema.putArray("required").add("form").add("version").add("files").add("session");
        ObjectNode properties = schema.putObject("properties");
        properties.putObject("form").put("const", SessionFile.FORM);
        properties.putObject("version").put("const", SessionFile.VERSION);
        properties
                .putObject("files")
                .put("type", "array")
                .put(
                        "description",
                        "what each recording is called in the folder recordings/, in the order of the session's recordings")
                .putObject("items")
                .put("type", "string");
        properties.putObject("session").put("$ref", "#/$defs/Session");
        TreeMap<String, JsonNode> needed = new TreeMap<>();
        collect("Session", schemas, needed);
        needed.forEach(schema.putObject("$defs")::set);
        if (Boolean.getBoolean("apodex.openapi.write")) {
            Files.writeString(KEPT, JSON.writeValueAsString(schema) + "\n");
        }
        assertThat(JSON.readTree(KEPT.toFile()))
                .as("renew it as docs/openapi.json")
                .isEqualTo(schema);
    }

    @Test
    void theKeptSchemaOfBriefsIsCurrentAndHolds() throws Exception {
        Path kept = Path.of("../docs/brief.schema.json");
        JsonNode schemas = JSON.readTree(
                        Files.readString(Path.of("../docs/openapi.json")).replace("#/components/schemas/", "#/$defs/"))
                .at("/components/schemas");
        ObjectNode schema = JSON.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("title", "A brief: what somebody who is to receive a session asks for")
                .put("type", "object");
        schema.putArray("required").add("form").add("version").add("brief");
        ObjectNode properties = schema.putObject("properties");
        properties.putObject("form").put("const", BriefDocument.FORM);
        properties.putObject("version").put("const", BriefDocument.VERSION);
        properties.putObject("brief").put("$ref", "#/$defs/Brief");
        TreeMap<String, JsonNode> needed = new TreeMap<>();
        collect("Brief", schemas, needed);
        needed.forEach(schema.putObject("$defs")::set);
        if (Boolean.getBoolean("apodex.openapi.write")) {
            Files.writeString(kept, JSON.writeValueAsString(schema) + "\n");
        }
        assertThat(JSON.readTree(kept.toFile()))
                .as("renew it as docs/openapi.json")
                .isEqualTo(schema);
        JsonSchema reads =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(schema.toString());
        for (Brief brief : Brief.BUILT_IN) {
            JsonNode document = JSON.readTree(SessionDocument.write(BriefDocument.of(brief)));
            assertThat(reads.validate(document)).as(brief.name()).isEmpty();
            ((ObjectNode) document.get("brief")).put("rows", "some");
            assertThat(reads.validate(document)).isNotEmpty();
        }
    }

    private static void collect(String name, JsonNode schemas, TreeMap<String, JsonNode> needed) {
        if (needed.containsKey(name)) {
            return;
        }
        JsonNode schema = schemas.get(name).deepCopy();
        needed.put(name, schema);
        JsonNode kinds = schema.at("/discriminator/mapping");
        schema.findValuesAsText("$ref").forEach(ref -> collect(ref.substring("#/$defs/".length()), schemas, needed));
        kinds.fields().forEachRemaining(kind -> {
            String of = kind.getValue().asText().substring("#/$defs/".length());
            collect(of, schemas, needed);
            ObjectNode only = JSON.createObjectNode();
            only.putObject("properties").putObject("type").put("const", kind.getKey());
            ((ArrayNode) needed.get(of).get("allOf")).add(only);
        });
        ((ObjectNode) schema).remove("discriminator");
    }

    @Test
    void aSavedSessionIsValidAndABrokenOneIsNot(@TempDir Path folder) throws Exception {
        JsonSchema schema =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(Files.readString(KEPT));
        var session = LowTideWaltz.record(
                new RecordingStore(folder.resolve("store")), Files.createDirectories(folder.resolve("work")));
        JsonNode document =
                JSON.readTree(SessionDocument.write(new SessionFile.Document(SessionFile.FORM, 1, List.of(), session)));
        assertThat(schema.validate(document)).isEmpty();
        for (String pointer : List.of(
                "/session/rows/0", "/session/recordings/0", "/session/song", "/session/rows/1/takes/0/clips/0")) {
            JsonNode broken = document.deepCopy();
            ObjectNode part = (ObjectNode) broken.at(pointer);
            part.remove(List.of("name", "rate", "title", "position").stream()
                    .filter(part::has)
                    .findFirst()
                    .orElseThrow());
            assertThat(schema.validate(broken)).as(pointer).isNotEmpty();
        }
    }
}
