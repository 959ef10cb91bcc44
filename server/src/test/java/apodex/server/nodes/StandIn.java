package apodex.server.nodes;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A stand-in for a store that speaks S3, as a process; what it holds outlives it. */
final class StandIn extends Started {
    static final String BUCKET = "house";
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JavaOptions options;
    private final Path root;
    private final Path halfway;
    private final int port = freePort();
    private final int securePort = freePort();

    StandIn(Path folder, JavaOptions options) throws IOException {
        super(Files.createDirectories(folder).resolve("store.log"));
        this.options = options;
        this.root = Files.createDirectories(folder.resolve("store"));
        this.halfway = Files.createDirectories(folder.resolve("store-halfway"));
    }

    int port() {
        return port;
    }

    Path root() {
        return root;
    }

    @Override
    List<String> command() {
        List<String> command = new ArrayList<>();
        command.add(ProcessHandle.current().info().command().orElse("java"));
        command.addAll(options.words());
        command.addAll(List.of(
                "-Djava.io.tmpdir=" + halfway, // what it had half when it was killed goes with the rest
                "-Dserver.port=" + securePort,
                "-Dhttp.port=" + port,
                "-Dcom.adobe.testing.s3mock.store.root=" + root,
                "-Dcom.adobe.testing.s3mock.store.initialBuckets=" + BUCKET,
                "-Dcom.adobe.testing.s3mock.store.retainFilesOnExit=true",
                "-Dlogging.level.root=warn",
                "-jar",
                Path.of("target/s3-stand-in.jar").toAbsolutePath().toString()));
        return command;
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

    /**
     * As when the power goes, at a store that writes what it says it has written: this one does not write its list of objects in one
     * step, so it is caught between two.
     */
    @Override
    public void kill() throws InterruptedException {
        pause();
        while (list() == null) {
            wake();
            Thread.sleep(5);
            pause();
        }
        super.kill();
    }

    /** What it was putting down when it was killed is no object: others would never have seen one. */
    @Override
    void begin() throws IOException {
        ObjectNode list = list();
        if (list != null && list.get("objects") instanceof ObjectNode objects) {
            List<String> keys = new ArrayList<>();
            objects.fieldNames().forEachRemaining(keys::add);
            for (String key : keys) {
                if (read(objectList(objects.get(key).asText())) == null) {
                    objects.remove(key);
                }
            }
            JSON.writeValue(listFile().toFile(), list);
        }
        super.begin();
    }

    private Path listFile() {
        return root.resolve(BUCKET).resolve("bucketMetadata.json");
    }

    private Path objectList(String id) {
        return root.resolve(BUCKET).resolve(id).resolve("objectMetadata.json");
    }

    private ObjectNode list() {
        return read(listFile());
    }

    private static ObjectNode read(Path file) {
        try {
            return JSON.readTree(file.toFile()) instanceof ObjectNode node ? node : null;
        } catch (IOException e) {
            return null;
        }
    }
}
