package apodex.server.nodes;

import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** A stand-in for a store that speaks S3, as a process; what it holds outlives it. */
final class StandIn extends Started {
    static final String BUCKET = "house";

    private final Path root;
    private final int port = freePort();
    private final int securePort = freePort();

    StandIn(Path folder) throws IOException {
        super(Files.createDirectories(folder).resolve("store.log"));
        this.root = Files.createDirectories(folder.resolve("store"));
    }

    int port() {
        return port;
    }

    Path root() {
        return root;
    }

    @Override
    List<String> command() {
        return List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-Xmx300m",
                "-XX:TieredStopAtLevel=1",
                "-Dserver.port=" + securePort,
                "-Dhttp.port=" + port,
                "-Dcom.adobe.testing.s3mock.store.root=" + root,
                "-Dcom.adobe.testing.s3mock.store.initialBuckets=" + BUCKET,
                "-Dcom.adobe.testing.s3mock.store.retainFilesOnExit=true",
                "-Dlogging.level.root=warn",
                "-jar",
                Path.of("target/s3-stand-in.jar").toAbsolutePath().toString());
    }

    @Override
    boolean answers() {
        try {
            HttpURLConnection request = (HttpURLConnection)
                    URI.create("http://127.0.0.1:" + port + "/" + BUCKET + "?list-type=2&max-keys=1")
                            .toURL()
                            .openConnection();
            request.setConnectTimeout(1000);
            request.setReadTimeout(2000);
            return request.getResponseCode() == HttpURLConnection.HTTP_OK;
        } catch (IOException e) {
            return false;
        }
    }
}
