package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.Socket;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What pages of other sites, and names that lead here without our knowing, get of the server: nothing. */
final class StrangersTest {
    private Client client;

    @BeforeEach
    void connect() throws Exception {
        client = TestServer.shared().client();
    }

    @ParameterizedTest
    @CsvSource({
        "127.0.0.1, 200",
        "localhost, 200",
        "LOCALHOST:80, 200",
        "[::1]:8080, 200",
        "192.168.7.20:8080, 200",
        "evil.example, 421",
        "evil.example:8080, 421",
        "127.0.0.1.evil.example, 421",
        "localhost.evil.example, 421",
        "a b, 400"
    })
    void onlyKnownNamesAreAnswered(String host, int status) throws Exception {
        assertThat(raw("GET /api/sessions HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n"))
                .startsWith("HTTP/1.1 " + status)
                .doesNotContain(status == 200 ? "not known under this name" : "\"title\":\"Low");
    }

    private String raw(String request) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", client.uri("/").getPort())) {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "-, -, 404",
                "OURS, same-origin, 404",
                "-, none, 404",
                "http://evil.example, -, 403",
                "null, -, 403",
                "http://127.0.0.1:1, -, 403",
                "-, cross-site, 403",
                "-, same-site, 403",
                "OURS, cross-site, 403"
            })
    void onlyOurOwnPagesWrite(String origin, String site, int status) throws Exception {
        String ours = client.uri("").toString();
        HttpRequest.Builder request =
                HttpRequest.newBuilder(client.uri("/api/runs/none/cancel")).POST(HttpRequest.BodyPublishers.noBody());
        if (origin != null) {
            request.header("Origin", origin.equals("OURS") ? ours : origin);
        }
        if (site != null) {
            request.header("Sec-Fetch-Site", site);
        }
        HttpResponse<String> answer =
                HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("application/problem+json");
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "-, -, 200",
                "same-origin, empty, 200",
                "none, document, 200",
                "cross-site, document, 200",
                "cross-site, empty, 403",
                "same-site, empty, 403",
                "cross-site, image, 403",
                "cross-site, iframe, 403"
            })
    void pagesOfOthersOpenNoStreamsAndPictures(String site, String destination, int status) throws Exception {
        Answer answer = site == null
                ? client.get("/api/sessions")
                : client.get("/api/sessions", "Sec-Fetch-Site", site, "Sec-Fetch-Dest", destination);
        assertThat(answer.status()).isEqualTo(status);
    }

    @Test
    void numbersBeyondReasonAreAnsweredInWords() throws Exception {
        JsonNode brought =
                client.bringIn("Numbers", "a.wav", SoundBytes.mono24(1, 2, 3)).json();
        JsonNode session =
                client.get("/api/sessions/" + brought.get("id").asText()).json().get("session");
        String sha = session.get("recordings").get(0).get("sha256").asText();
        assertThat(client.get("/api/recordings/" + sha + "/waveform/0/2147483647")
                        .status())
                .isLessThan(500);
        assertThat(client.get("/error").status()).isEqualTo(404);
        ObjectNode row = (ObjectNode) session.get("rows").get(0);
        ((ObjectNode) row.get("takes").get(0).get("clips").get(0)).put("offset", Long.MAX_VALUE);
        Answer edit = client.post(
                "/api/sessions/" + brought.get("id").asText() + "/edits",
                "{\"revision\": 1, \"edit\": {\"type\": \"setTakes\", \"row\": \"r1\", \"takes\": " + row.get("takes")
                        + ", \"active\": " + row.get("active") + "}}");
        assertThat(edit.status()).isEqualTo(422);
        assertThat(edit.json().get("detail").asText()).contains("reaches beyond its recording");
    }

    @Test
    void everyAnswerSaysWhatPagesMayDo() throws Exception {
        for (String path : new String[] {"/", "/api/sessions", "/api/sessions/none", "/nothing/here"}) {
            Answer answer = client.get(path);
            assertThat(answer.header("Content-Security-Policy"))
                    .as(path)
                    .contains("default-src 'none'", "script-src 'self';", "frame-ancestors 'none'")
                    .doesNotContain("script-src 'self' 'unsafe");
            assertThat(answer.header("X-Content-Type-Options")).isEqualTo("nosniff");
            assertThat(answer.header("Referrer-Policy")).isEqualTo("no-referrer");
            assertThat(answer.header("X-Frame-Options")).isEqualTo("DENY");
            assertThat(answer.header("Cache-Control"))
                    .as("kept by nobody: " + path)
                    .contains(path.equals("/") ? "no-cache" : "no-store");
        }
    }
}
