package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** docs/openapi.json, from which the front end's types are made, is what the server says of itself. */
final class OpenApiTest {
    private static final Path KEPT = Path.of("../docs/openapi.json");

    @Test
    void theKeptDocumentIsCurrent() throws Exception {
        ObjectMapper json = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
        JsonNode told = TestServer.shared().client().get("/api/openapi").json();
        if (Boolean.getBoolean("apodex.openapi.write")) {
            Files.writeString(KEPT, json.writeValueAsString(told) + "\n");
        }
        assertThat(json.readTree(KEPT.toFile()))
                .as("renew it with: mvn -pl server -am verify -Dtest=OpenApiTest -Dapodex.openapi.write=true"
                        + " -Dsurefire.failIfNoSpecifiedTests=false")
                .isEqualTo(told);
        assertThat(told.get("paths").fieldNames())
                .toIterable()
                .contains(
                        "/api/sessions/import",
                        "/api/sessions",
                        "/api/sessions/{id}",
                        "/api/sessions/{sessionId}/handoffs",
                        "/api/handoffs/{id}",
                        "/api/handoffs/{handoffId}/runs",
                        "/api/runs/{id}",
                        "/api/runs/{id}/events",
                        "/api/runs/{id}/cancel",
                        "/api/runs/{id}/parcel");
    }
}
