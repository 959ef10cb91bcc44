package apodex.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.net.Socket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The open protocol tus 1.0.0, as its text asks for it, and what is made of files that came by it. */
final class ArrivalsTest {
    private static final String PATH = "/api/arrivals";
    private static final String BYTES = "application/offset+octet-stream";

    private Client client;
    private final byte[] sound = noise();

    @BeforeEach
    void connect() throws Exception {
        client = TestServer.shared().client();
    }

    private static byte[] noise() {
        return SoundBytes.mono24(
                new Random(7).ints(200_000, -8_000_000, 8_000_000).toArray());
    }

    @Test
    void aFileWhoseLineBreaksGoesOnWhereItStoppedAndIsTheSameInTheEnd() throws Exception {
        String place = announce("Harbour bell.wav", sound.length);
        assertThat(offset(place)).isZero();
        sendAndBreakOff(place, 0, Arrays.copyOf(sound, 250_000), sound.length);
        long came = awaitOffset(place);
        assertThat(came).isBetween(1L, 250_000L);
        sendAndBreakOff(place, came, Arrays.copyOfRange(sound, (int) came, (int) came + 100_000), sound.length - came);
        long then = awaitOffset(place);
        assertThat(then).isGreaterThan(came);

        assertThat(bringIn(place).status()).as("not whole yet").isEqualTo(409);
        Answer rest = patch(place, then, Arrays.copyOfRange(sound, (int) then, sound.length));
        assertThat(rest.status()).isEqualTo(204);
        assertThat(rest.header("Upload-Offset")).isEqualTo(String.valueOf(sound.length));

        Answer made = bringIn(place);
        assertThat(made.status()).isEqualTo(201);
        JsonNode session =
                client.get("/api/sessions/" + made.json().get("id").asText()).json();
        assertThat(session.at("/session/song/title").asText()).isEqualTo("Harbour");
        assertThat(session.at("/session/recordings/0/fileName").asText()).isEqualTo("Harbour bell.wav");
        assertThat(session.at("/session/recordings/0/sha256").asText())
                .isEqualTo(HexFormat.of()
                        .formatHex(java.security.MessageDigest.getInstance("SHA-256")
                                .digest(sound)));
        assertThat(client.send("HEAD", place, new byte[0], "Tus-Resumable", "1.0.0")
                        .status())
                .as("what something was made of is not kept twice")
                .isIn(404, 410);
        assertThat(bringIn(place).status()).isEqualTo(410);
    }

    @Test
    void filesAreLaidOutInTheOrderAskedForAndAddedToASessionAsWell() throws Exception {
        String first = whole("Tuba.wav", SoundBytes.mono24(1, 2, 3));
        String second = whole("Bass.wav", SoundBytes.mono24(4, 5, 6));
        Answer made = bringIn(second, first);
        String id = made.json().get("id").asText();
        assertThat(made.json().get("brought").findValuesAsText("file")).containsExactly("Bass.wav", "Tuba.wav");
        String third = whole("Später – “x”.wav", SoundBytes.mono24(7, 8, 9));
        Answer added = client.post(
                "/api/sessions/" + id + "/files/arrived",
                "{\"uploads\":[\"" + idOf(third) + "\"],\"at\":0,\"row\":null,\"watch\":\"w\"}");
        assertThat(added.status()).isEqualTo(200);
        assertThat(client.get("/api/sessions/" + id).json().at("/session/recordings"))
                .anySatisfy(each -> assertThat(each.get("fileName").asText()).isEqualTo("Später – “x”.wav"));
        assertThat(client.get(PATH + "/looked/w").json().get("files").asInt())
                .as("it is over")
                .isZero();
    }

    @Test
    void whatNothingCouldBeMadeOfIsKeptForAnotherTry() throws Exception {
        String broken = whole("bad.wav", Arrays.copyOf(sound, 30));
        Answer refused = bringIn(broken);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().get("detail").asText()).contains("bad.wav");
        assertThat(offset(broken)).isEqualTo(30);
        assertThat(client.send("DELETE", broken, new byte[0], "Tus-Resumable", "1.0.0")
                        .status())
                .isEqualTo(204);
        assertThat(bringIn(broken).status()).isEqualTo(410);
    }

    @Test
    void whatIsTooLargeOrEmptyIsRefusedBeforeAByteIsSent() throws Exception {
        Answer tooLarge =
                client.send("POST", PATH, new byte[0], "Tus-Resumable", "1.0.0", "Upload-Length", "70500000000");
        assertThat(tooLarge.status()).isEqualTo(422);
        assertThat(tooLarge.json().get("detail").asText())
                .isEqualTo("It has 70.5 GB; a file must be smaller than 64 GB.");
        Answer empty = client.send("POST", PATH, new byte[0], "Tus-Resumable", "1.0.0", "Upload-Length", "0");
        assertThat(empty.json().get("detail").asText()).isEqualTo("It is empty.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "nothing", "../../recordings", "%2e%2e%2frecordings", "9d2ad3f0-0000-4000-8000-000000000000"
            })
    void onlyWhatArrivedCanBeNamed(String id) throws Exception {
        Answer answer = client.post(
                "/api/sessions/import/arrived",
                "{\"uploads\":[\"" + id + "\"],\"name\":null,\"folder\":null,\"watch\":null}");
        assertThat(answer.status()).isEqualTo(410);
    }

    @Test
    void arrivedFilesOutliveTheServer() throws Exception {
        Path data = Files.createTempDirectory("apodex-arrivals");
        String place;
        try (TestServer server = TestServer.start(data)) {
            client = server.client();
            place = whole("Tuba.wav", sound);
        }
        try (TestServer server = TestServer.start(data)) {
            client = server.client();
            assertThat(offset(place)).isEqualTo(sound.length);
            assertThat(bringIn(place).status()).isEqualTo(201);
            try (Stream<Path> left = Files.list(data.resolve("arriving/uploads"))) {
                assertThat(left).isEmpty();
            }
        }
    }

    private String announce(String name, long length) throws Exception {
        Answer answer = client.send(
                "POST",
                PATH,
                new byte[0],
                "Tus-Resumable",
                "1.0.0",
                "Upload-Length",
                String.valueOf(length),
                "Upload-Metadata",
                "filename " + Base64.getEncoder().encodeToString(name.getBytes(UTF_8)));
        assertThat(answer.status()).isEqualTo(201);
        return URI.create(answer.header("Location")).getPath();
    }

    private String whole(String name, byte[] bytes) throws Exception {
        String place = announce(name, bytes.length);
        assertThat(patch(place, 0, bytes).status()).isEqualTo(204);
        return place;
    }

    private Answer patch(String place, long offset, byte[] bytes) throws Exception {
        return client.send(
                "PATCH",
                place,
                bytes,
                "Tus-Resumable",
                "1.0.0",
                "Content-Type",
                BYTES,
                "Upload-Offset",
                String.valueOf(offset));
    }

    /** Says that it sends all that is left, and is gone after a part of it. */
    private void sendAndBreakOff(String place, long offset, byte[] part, long left) throws Exception {
        URI uri = client.uri(place);
        try (Socket socket = new Socket(uri.getHost(), uri.getPort())) {
            String head = "PATCH " + place + " HTTP/1.1\r\nHost: " + uri.getAuthority()
                    + "\r\nTus-Resumable: 1.0.0\r\nContent-Type: " + BYTES + "\r\nUpload-Offset: " + offset
                    + "\r\nContent-Length: " + left + "\r\n\r\n";
            socket.getOutputStream().write(head.getBytes(UTF_8));
            socket.getOutputStream().write(part);
            socket.getOutputStream().flush();
            Thread.sleep(300);
        }
    }

    private long offset(String place) throws Exception {
        Answer answer = client.send("HEAD", place, new byte[0], "Tus-Resumable", "1.0.0");
        assertThat(answer.status()).isIn(200, 204);
        return Long.parseLong(answer.header("Upload-Offset"));
    }

    /** A broken line is noticed a moment later; until then the file is still in the hands of the request before. */
    private long awaitOffset(String place) throws Exception {
        for (long until = System.nanoTime() + Duration.ofSeconds(20).toNanos(); System.nanoTime() < until; ) {
            Answer answer = client.send("HEAD", place, new byte[0], "Tus-Resumable", "1.0.0");
            if (answer.status() != 423) {
                return Long.parseLong(answer.header("Upload-Offset"));
            }
            Thread.sleep(50);
        }
        throw new AssertionError("The broken line is not noticed.");
    }

    private static String idOf(String place) {
        return place.substring(place.lastIndexOf('/') + 1);
    }

    private Answer bringIn(String... places) throws Exception {
        String ids =
                String.join("\",\"", Stream.of(places).map(ArrivalsTest::idOf).toList());
        return client.post(
                "/api/sessions/import/arrived",
                "{\"uploads\":[\"" + ids + "\"],\"name\":null,\"folder\":\"Harbour\",\"watch\":null}");
    }
}
