package apodex.server;

import apodex.server.storage.Storage;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.boot.web.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/** A whole server with its own MariaDB, data folder and free port, spoken to over HTTP as a script would. */
public final class TestServer implements AutoCloseable {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static TestServer shared;

    private final ConfigurableApplicationContext context;
    private final Client client;

    private TestServer(ConfigurableApplicationContext context) {
        this.context = context;
        int port = ((ServletWebServerApplicationContext) context).getWebServer().getPort();
        this.client = new Client(port);
    }

    /** Starts on a data folder; close it again. */
    public static TestServer start(Path data, String... more) {
        return startOn(0, data, more);
    }

    /** Starts where another one was. */
    public static TestServer startOn(int port, Path data, String... more) {
        String[] arguments = java.util.stream.Stream.concat(
                        java.util.stream.Stream.of("--server.port=" + port, "--apodex.data=" + data),
                        java.util.stream.Stream.of(more))
                .toArray(String[]::new);
        return new TestServer(Apodex.application().run(arguments));
    }

    /** One server for all tests that leave its settings alone; stopped with the JVM. */
    public static synchronized TestServer shared() throws IOException {
        if (shared == null) {
            Path data = Files.createTempDirectory("apodex-test-");
            shared = start(data);
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                shared.close();
                try {
                    apodex.audio.WorkFolder.remove(data);
                } catch (IOException e) {
                    System.err.println("Could not remove " + data);
                }
            }));
        }
        return shared;
    }

    /** Where the files of a run lie. */
    public Path run(String id) {
        return bean(Storage.class).making("runs/" + id);
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public Client client() {
        return client;
    }

    @Override
    public void close() {
        context.close();
    }

    /** Names of what lies in a zip, in order. */
    public static List<String> namesInZip(byte[] zip) throws IOException {
        List<String> names = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        return names;
    }

    /** An answer: its status, its headers, its JSON where it is JSON. */
    public record Answer(int status, HttpResponse<byte[]> whole) {
        public JsonNode json() {
            try {
                return JSON.readTree(whole.body());
            } catch (IOException e) {
                throw new IllegalStateException("No JSON: " + text(), e);
            }
        }

        public String text() {
            return new String(whole.body(), StandardCharsets.UTF_8);
        }

        public String header(String name) {
            return whole.headers().firstValue(name).orElse("");
        }
    }

    /** One of several requests. */
    public interface Asked {
        Answer answer(int number) throws Exception;
    }

    /** Round after round of so many requests at the same moment. */
    public static List<Answer> atOnce(int count, int rounds, Asked asked) throws Exception {
        List<Answer> answers = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            answers.addAll(atOnce(count, asked));
        }
        return answers;
    }

    /** So many requests at the same moment; their answers in the order of their numbers. */
    public static List<Answer> atOnce(int count, Asked asked) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(count);
        try {
            List<Future<Answer>> running = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                int number = i;
                running.add(pool.submit(() -> asked.answer(number)));
            }
            List<Answer> answers = new ArrayList<>();
            for (Future<Answer> each : running) {
                answers.add(each.get());
            }
            return answers;
        } finally {
            pool.shutdown();
        }
    }

    /** Speaks HTTP to a server on this machine. */
    public static final class Client {
        private final CookieManager cookies = new CookieManager();
        private final HttpClient http =
                HttpClient.newBuilder().cookieHandler(cookies).build();
        private final int port;

        public Client(int port) {
            this.port = port;
        }

        /** Somebody else at the same server, as in another browser. */
        public Client another() {
            return new Client(port);
        }

        /** Signs in, in a browser of its own. */
        public Client signedIn(String name, String passPhrase) throws Exception {
            Client client = another();
            client.get("/api/me");
            Answer answer = client.post(
                    "/api/me/sign-in", JSON.writeValueAsString(Map.of("name", name, "passPhrase", passPhrase)));
            if (answer.status() != 200) {
                throw new AssertionError(answer.text());
            }
            return client;
        }

        /** What a cookie of this server says; empty for none. */
        public String cookie(String name) {
            return cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals(name))
                    .map(HttpCookie::getValue)
                    .findFirst()
                    .orElse("");
        }

        /** Comes with a cookie that somebody else had. */
        public void haveCookie(String name, String value) {
            HttpCookie cookie = new HttpCookie(name, value);
            cookie.setPath("/");
            cookie.setDomain("127.0.0.1");
            cookie.setVersion(0);
            cookies.getCookieStore().add(uri("/"), cookie);
        }

        public URI uri(String path) {
            return URI.create("http://127.0.0.1:" + port + path);
        }

        public Answer get(String path, String... headers) throws Exception {
            HttpRequest.Builder request = HttpRequest.newBuilder(uri(path));
            if (headers.length > 0) {
                request.headers(headers);
            }
            return send(request);
        }

        public Answer head(String path) throws Exception {
            return send(HttpRequest.newBuilder(uri(path)).method("HEAD", HttpRequest.BodyPublishers.noBody()));
        }

        public Answer post(String path, String json) throws Exception {
            return send(HttpRequest.newBuilder(uri(path))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(json)));
        }

        public Answer put(String path, String json) throws Exception {
            return send(HttpRequest.newBuilder(uri(path))
                    .header("Content-Type", "application/json")
                    .PUT(HttpRequest.BodyPublishers.ofString(json)));
        }

        public Answer delete(String path) throws Exception {
            return send(HttpRequest.newBuilder(uri(path)).DELETE());
        }

        /** Any request, with its headers' names and values in turn. */
        public Answer send(String method, String path, byte[] body, String... headers) throws Exception {
            return send(HttpRequest.newBuilder(uri(path))
                    .method(method, HttpRequest.BodyPublishers.ofByteArray(body))
                    .headers(headers));
        }

        /** A file that arrives piece by piece, whole; its id. @param folder it lay in; empty for none */
        public String arrive(String folder, String name, byte[] bytes) throws Exception {
            String id = announce(folder, name, bytes.length);
            goOn(id, 0, bytes);
            return id;
        }

        /** Says that a file will come; its id. */
        public String announce(String folder, String name, int length) throws Exception {
            Base64.Encoder base64 = Base64.getEncoder();
            String metadata = "filename " + base64.encodeToString(name.getBytes(StandardCharsets.UTF_8)) + ",folder"
                    + (folder.isEmpty() ? "" : " " + base64.encodeToString(folder.getBytes(StandardCharsets.UTF_8)));
            String place = send(
                            "POST",
                            "/api/arrivals",
                            new byte[0],
                            "Tus-Resumable",
                            "1.0.0",
                            "Upload-Length",
                            String.valueOf(length),
                            "Upload-Metadata",
                            metadata)
                    .header("Location");
            return place.substring(place.lastIndexOf('/') + 1);
        }

        /** Some of a file that is arriving. */
        public Answer goOn(String id, long at, byte[] bytes) throws Exception {
            return send(
                    "PATCH",
                    "/api/arrivals/" + id,
                    bytes,
                    "Tus-Resumable",
                    "1.0.0",
                    "Content-Type",
                    "application/offset+octet-stream",
                    "Upload-Offset",
                    String.valueOf(at));
        }

        /** Drops files, each under its name, with an optional session name. */
        public Answer bringIn(String sessionName, Map<String, byte[]> files) throws Exception {
            return upload("/api/sessions/import", sessionName, files);
        }

        /** Drops files on some address. */
        public Answer upload(String path, String sessionName, Map<String, byte[]> files) throws Exception {
            String boundary = "----apodex-test";
            ByteArrayOutputStream body = new ByteArrayOutputStream();
            if (sessionName != null) {
                body.writeBytes(("--" + boundary + "\r\nContent-Disposition: form-data; name=\"name\"\r\n\r\n"
                                + sessionName + "\r\n")
                        .getBytes(StandardCharsets.UTF_8));
            }
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                body.writeBytes(("--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
                                + file.getKey().replace("\\", "\\\\")
                                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                        .getBytes(StandardCharsets.UTF_8));
                body.writeBytes(file.getValue());
                body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
            }
            body.writeBytes(("--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
            return send(HttpRequest.newBuilder(uri(path))
                    .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                    .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray())));
        }

        public Answer bringIn(String sessionName, Object... namesAndContents) throws Exception {
            Map<String, byte[]> files = new LinkedHashMap<>();
            for (int i = 0; i < namesAndContents.length; i += 2) {
                files.put((String) namesAndContents[i], (byte[]) namesAndContents[i + 1]);
            }
            return bringIn(sessionName, files);
        }

        public String handoff(String sessionId) throws Exception {
            return post("/api/sessions/" + sessionId + "/handoffs", "{\"name\": \"The mixer\"}")
                    .json()
                    .get("id")
                    .asText();
        }

        public String run(String handoffId) throws Exception {
            return run(handoffId, "");
        }

        /** @param how version and whether everything is printed; empty for as usual */
        public String run(String handoffId, String how) throws Exception {
            return post("/api/handoffs/" + handoffId + "/runs", how)
                    .json()
                    .get("id")
                    .asText();
        }

        /** Waits until a run is over and returns it. */
        public JsonNode await(String runId) throws Exception {
            for (long end = System.nanoTime() + Duration.ofSeconds(90).toNanos();
                    System.nanoTime() < end;
                    Thread.sleep(50)) {
                JsonNode run = get("/api/runs/" + runId).json();
                if (java.util.List.of("done", "failed", "cancelled")
                        .contains(run.get("state").asText())) {
                    return run;
                }
            }
            throw new AssertionError("The run is not over after 90 seconds: "
                    + get("/api/runs/" + runId).text());
        }

        /** Waits until the zips of a run have their checksums and returns those. */
        public java.util.List<String> awaitSums(String runId) throws Exception {
            for (long end = System.nanoTime() + Duration.ofSeconds(30).toNanos();
                    System.nanoTime() < end;
                    Thread.sleep(50)) {
                java.util.List<String> sums =
                        get("/api/runs/" + runId).json().get("parcels").findValuesAsText("sha256");
                if (!sums.contains("null")) {
                    return sums;
                }
            }
            throw new AssertionError("The checksums of run " + runId + " do not come.");
        }

        private Answer send(HttpRequest.Builder request) throws Exception {
            if (!cookie("XSRF-TOKEN").isEmpty()) {
                request.header("X-XSRF-TOKEN", cookie("XSRF-TOKEN")); // as our pages do
            }
            HttpResponse<byte[]> response =
                    http.send(request.timeout(Duration.ofSeconds(60)).build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(response.statusCode(), response);
        }
    }
}
