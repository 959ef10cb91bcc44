package apodex.server.nodes;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.Digests;
import apodex.audio.SoundBytes;
import apodex.server.TestServer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.function.Predicate;
import org.awaitility.Awaitility;
import org.awaitility.core.ConditionTimeoutException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A node that serves and two that print, with a store and a database that they share. */
class ManyNodesTest {
    static final String EVERYTHING = "{\"version\": \"v\", \"everything\": true}";

    @TempDir
    static Path folder;

    private static Cluster cluster;

    @BeforeAll
    static void start() throws Exception {
        cluster = new Cluster(folder, 1);
        cluster.add(Role.WEB).process().awaitAnswer();
        cluster.add(
                Role.PRINT,
                "--apodex.node=print-1",
                "--apodex.share-from-seconds=0",
                "--apodex.share-below-per-second=1TB");
        cluster.add(
                Role.PRINT,
                "--apodex.node=print-2",
                "--apodex.share-from-seconds=0",
                "--apodex.share-below-per-second=1TB");
        cluster.add(Role.WEB);
        for (Cluster.Node node : cluster.nodes) {
            node.process().awaitAnswer();
        }
    }

    @AfterAll
    static void stop() throws Exception {
        cluster.close();
    }

    /** Rows of noise, each another. */
    static Map<String, byte[]> rows(int rows, int seconds) {
        SplittableRandom random = new SplittableRandom(7);
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int row = 0; row < rows; row++) {
            files.put(
                    "Row " + row + ".wav",
                    SoundBytes.mono24(
                            random.ints(seconds * 48_000L, -400_000, 400_000).toArray()));
        }
        return files;
    }

    static String bringIn(Client client, int rows, int seconds) throws Exception {
        return client.bringIn("Many", rows(rows, seconds)).json().get("id").asText();
    }

    static List<String> hashes(JsonNode run) {
        return run.get("files").findValuesAsText("sha256");
    }

    @Test
    void whatOneNodeIsAskedForAnotherPrintsWithTheBytesOfASingleOne(@TempDir Path alone) throws Exception {
        List<String> expected;
        byte[] zip;
        byte[] heard;
        try (TestServer single = TestServer.start(alone)) {
            Client client = single.client();
            String session = bringIn(client, 5, 8);
            JsonNode run = client.await(client.run(client.handoff(session), EVERYTHING));
            expected = hashes(run);
            zip = parcel(client, run);
            heard = client.get("/api/sessions/" + session + "/sound?from=1000&to=90000")
                    .whole()
                    .body();
        }
        Client client = cluster.client();
        String session = bringIn(client, 5, 8);
        String handoff = client.handoff(session);
        JsonNode run = client.await(client.run(handoff, EVERYTHING));
        assertThat(run.get("state").asText()).as(run.toString()).isEqualTo("done");
        assertThat(hashes(run)).isEqualTo(expected).hasSizeGreaterThan(5);
        String id = run.get("id").asText();
        assertThat(TestServer.namesInZip(parcel(client, run))).isEqualTo(TestServer.namesInZip(zip));
        byte[] whole = parcel(client, run);
        byte[] part = client.get("/api/runs/" + id + "/parcel", "Range", "bytes=1500000-1500999")
                .whole()
                .body();
        assertThat(part).isEqualTo(Arrays.copyOfRange(whole, 1_500_000, 1_501_000));
        assertThat(client.awaitSums(id))
                .containsExactly(HexFormat.of().formatHex(Digests.sha256().digest(whole)));
        assertThat(client.get("/api/sessions/" + session + "/sound?from=1000&to=90000")
                        .whole()
                        .body())
                .isEqualTo(heard);
        assertThat(client.get("/api/runs/" + id + "/files/1/picture").status()).isEqualTo(200);

        client.post("/api/runs/" + id + "/proof", ""); // by another node than printed it, or the same
        JsonNode again = client.await(id);
        assertThat(hashes(again)).isEqualTo(expected);
        assertThat(parcel(client, again)).isEqualTo(parcel(client, run));

        JsonNode over = client.await(client.run(handoff, "{\"version\": \"v\"}"));
        assertThat(hashes(over)).as("taken over from the run before").isEqualTo(expected);

        assertThat(client.post("/api/sessions/" + session + "/forget", "").status())
                .isLessThan(300);
        awaitNothing();
    }

    /** Far longer than anything takes: a machine that writes much to a slow disk stands still for half a minute. */
    private static <T> T await(Callable<T> ask, Predicate<T> isEnough) {
        try {
            return Awaitility.await()
                    .pollInterval(Duration.ofMillis(100))
                    .atMost(Duration.ofMinutes(2))
                    .until(ask, isEnough);
        } catch (ConditionTimeoutException e) {
            throw new AssertionError(cluster.plight(), e);
        }
    }

    /** What nobody has is gone from the store once nobody can be about to use it. */
    private static void awaitNothing() {
        await(
                () -> {
                    cluster.sql(
                            "UPDATE stored_recording SET until = CURRENT_TIMESTAMP(3) WHERE until > CURRENT_TIMESTAMP(3)");
                    cluster.sql("UPDATE writing SET until = CURRENT_TIMESTAMP(3) WHERE until > CURRENT_TIMESTAMP(3)");
                    return cluster.keys();
                },
                List::isEmpty);
    }

    private static byte[] parcel(Client client, JsonNode run) throws Exception {
        return client.get("/api/runs/" + run.get("id").asText() + "/parcel")
                .whole()
                .body();
    }

    @Test
    void levelsAndMeasuresAreFoundOutByNodesThatPrint() throws Exception {
        Client client = cluster.client();
        String session = bringIn(client, 3, 4);
        String handoff = client.handoff(session);
        String levelsOfIt = "/api/handoffs/" + handoff + "/levels";
        JsonNode levels = await(
                () -> client.get(levelsOfIt).json(), some -> some.get("pending").asInt() == 0);
        // noise of up to 400,000 of 8,388,608 steps: -26.43 dBFS at its loudest, reached within a hair by 192,000
        // samples
        assertThat(levels.get("levels").findValues("peakDbfs").subList(0, 3))
                .allSatisfy(peak -> assertThat(peak.asDouble()).isBetween(-26.5, -26.4));
        await(
                () -> client.get("/api/sessions/" + session + "/findings").json(),
                findings -> findings.get("unmeasured").asInt() == 0);
    }

    @Test
    void theSumOfAParcelIsTakenWhereItsFilesWereMade() throws Exception {
        Client client = cluster.client();
        String session = bringIn(client, 4, 20);
        String handoff = client.handoff(session);
        List<Long> brought = new ArrayList<>();
        JsonNode run = null;
        for (int i = 0; i < 3; i++) { // the last at the latest by a node that has the recordings
            long before = brought();
            run = client.await(client.run(handoff, EVERYTHING));
            client.awaitSums(run.get("id").asText());
            brought.add(brought() - before);
        }
        assertThat(Collections.min(brought)).isLessThan(parcel(client, run).length / 2);
        client.post("/api/sessions/" + session + "/forget", "");
    }

    /** Bytes that the store has sent so far. */
    private static long brought() {
        return cluster.nodes.stream()
                .mapToLong(node -> node.toStore().brought())
                .sum();
    }

    /** The node that has taken up what is printed. */
    private static Cluster.Node printing() {
        List<String> nodes = await(
                () -> cluster.names("SELECT picked_by FROM scheduled_tasks WHERE picked AND task_name = 'print-run'"),
                some -> !some.isEmpty());
        return cluster.nodes.get(nodes.get(0).equals("print-1") ? 1 : 2);
    }

    @Test
    void whoSleepsPastItsLeasePublishesNothing() throws Exception {
        Client client = cluster.client();
        String handoff = client.handoff(bringIn(client, 8, 40));
        List<String> expected = hashes(client.await(client.run(handoff, EVERYTHING)));
        String run = client.run(handoff, EVERYTHING);
        Cluster.Node sleeper = printing();
        while (client.get("/api/runs/" + run).json().get("progress").asDouble() < 0.05) {
            Thread.sleep(5);
        }
        sleeper.process().pause();
        JsonNode done = client.await(run);
        assertThat(hashes(done)).isEqualTo(expected);
        List<String> stored = cluster.names("SELECT stored_as FROM run WHERE id = '" + run + "'");
        sleeper.process().wake();
        await(sleeper.process()::said, said -> said.contains("run=" + run + " ending=lost"));
        assertThat(cluster.names("SELECT stored_as FROM run WHERE id = '" + run + "'"))
                .isEqualTo(stored);
        assertThat(parcel(client, done))
                .hasSize(done.get("parcels").get(0).get("bytes").asInt());
        awaitAttempts(run, 1); // what the sleeper had put there is swept
    }

    private static void awaitAttempts(String run, int left) {
        await(
                () -> {
                    cluster.sql("UPDATE writing SET until = CURRENT_TIMESTAMP(3)");
                    return attempts(run);
                },
                there -> there == left);
    }

    private static long attempts(String run) throws Exception {
        return cluster.keys().stream()
                .filter(key -> key.contains("/" + run + "/"))
                .map(key -> key.split("/")[3])
                .distinct()
                .count();
    }

    @Test
    void whatIsCancelledAtOneNodeEndsOnAnother() throws Exception {
        Client client = cluster.client();
        String run = client.run(client.handoff(bringIn(client, 6, 40)), EVERYTHING);
        printing();
        client.post("/api/runs/" + run + "/cancel", "");
        assertThat(client.await(run).get("state").asText()).isEqualTo("cancelled");
        awaitAttempts(run, 0);
    }

    /** A file comes in two pieces, each to another node, and a third makes something of it. */
    @Test
    void filesArriveAtWhicheverNodeThereIs() throws Exception {
        List<Client> nodes =
                List.of(cluster.client(), cluster.nodes.get(3).process().client());
        byte[] file = rows(1, 3).get("Row 0.wav");
        byte[] first = Arrays.copyOf(file, 100_000);
        String id = nodes.get(0).announce("", "Row 0.wav", file.length);
        assertThat(nodes.get(1).goOn(id, 0, first).status()).isEqualTo(204);
        assertThat(nodes.get(0).goOn(id, 50, first).status())
                .as(cluster.nodes.get(0).process().said())
                .isEqualTo(409);
        assertThat(nodes.get(0)
                        .goOn(id, first.length, Arrays.copyOfRange(file, first.length, file.length))
                        .header("Upload-Offset"))
                .isEqualTo(String.valueOf(file.length));
        JsonNode intake = nodes.get(1)
                .post("/api/intakes", "{\"uploads\": [\"" + id + "\"], \"name\": \"Two\"}")
                .json();
        JsonNode made = nodes.get(0)
                .post("/api/intakes/" + intake.get("id").asText() + "/session", "{\"revision\": 1}")
                .json();
        JsonNode run = cluster.client()
                .await(nodes.get(1).run(nodes.get(0).handoff(made.get("id").asText())));
        assertThat(run.get("state").asText()).isEqualTo("done");
        assertThat(cluster.keys()).noneMatch(key -> key.startsWith("all/arrivals/") || key.startsWith("all/intakes/"));
    }

    /** Whoever prints them: two sections of noise and of what is mixed from it, as one node alone prints them. */
    @Test
    void sectionsArePrintedByWhoHasNothingToDo(@TempDir Path alone) throws Exception {
        List<String> expected;
        try (TestServer single = TestServer.start(alone)) {
            expected = hashes(single.client()
                    .await(single.client()
                            .run(Sections.of(single.client(), bringIn(single.client(), 4, 40), 9, 17), EVERYTHING)));
        }
        Client client = cluster.client();
        JsonNode run = client.await(client.run(Sections.of(client, bringIn(client, 4, 40), 9, 17), EVERYTHING));
        assertThat(run.get("state").asText()).as(run.toString()).isEqualTo("done");
        assertThat(hashes(run)).isEqualTo(expected);
        String printers = cluster.nodes.get(1).process().said()
                + cluster.nodes.get(2).process().said();
        assertThat(printers).contains("Sections [1] of run " + run.get("id").asText() + " are printed by others.");
        assertThat(printers).doesNotContain("could not be printed for another node");
        assertThat(run.toString()).as("printed, not taken over").doesNotContain("\"takenOver\":true");
        assertThat(attempts(run.get("id").asText())).as("parts are gone").isEqualTo(1);
    }

    @Test
    void aNodeThatPrintsServesNobody() throws Exception {
        Client client = cluster.nodes.get(1).process().client();
        assertThat(client.get("/actuator/health").status()).isEqualTo(200);
        assertThat(client.get("/api/sessions").status()).isEqualTo(404);
        assertThat(client.get("/").status()).isEqualTo(404);
    }
}
