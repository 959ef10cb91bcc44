package apodex.server.pickups;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.server.LongSessions;
import apodex.server.TestServer;
import apodex.server.TestServer.Client;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What goes on under one link is bounded, receivers leave room for the house, and who does not read is put out. */
final class ReceiverBoundsTest {
    @TempDir
    Path data;

    @Test
    void whoListensWithoutReadingIsEndedAndTheHouseListensAllTheWhile() throws Exception {
        try (TestServer server = TestServer.start(data, "--server.tomcat.connection-timeout=2s")) {
            Client client = server.client();
            String session = LongSessions.make(server, 2, 180);
            String run = client.run(client.handoff(session));
            client.await(run);
            String sound = "/api"
                    + client.post("/api/runs/" + run + "/pickups", "{\"days\": 3}")
                            .json()
                            .get("path")
                            .asText() + "/sound?from=0";
            try (Socket first = stalled(client, sound);
                    Socket second = stalled(client, sound)) {
                assertThat(client.get(sound + "&to=100").status())
                        .as("two listen under this link")
                        .isEqualTo(429);
                assertThat(client.get("/api/runs/" + run + "/sound?from=0&to=100")
                                .status())
                        .as("the house listens")
                        .isEqualTo(200);
                assertThat(first.getInputStream().available()
                                + second.getInputStream().available())
                        .as("both were let in and have sound waiting that they do not read")
                        .isPositive();
                int status = 429;
                for (long end = System.nanoTime() + Duration.ofSeconds(30).toNanos();
                        status == 429 && System.nanoTime() < end;
                        Thread.sleep(200)) {
                    status = client.get(sound + "&to=100").status();
                }
                assertThat(status).as("those who do not read are put out").isEqualTo(200);
            }
        }
    }

    /** Asks and reads nothing. */
    private static Socket stalled(Client client, String path) throws Exception {
        Socket socket = new Socket();
        socket.setReceiveBufferSize(4_096);
        socket.connect(
                new java.net.InetSocketAddress("127.0.0.1", client.uri("/").getPort()));
        socket.getOutputStream()
                .write(("GET " + path + " HTTP/1.1\r\nHost: localhost\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
        socket.getInputStream().read(); // it has begun
        return socket;
    }
}
