package apodex.server.nodes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.server.TestServer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What who runs a house asks of a node, and is told when it is set up wrongly. */
class OperationsTest {
    @TempDir
    private Path data;

    @Test
    void figuresAreToldOnAListenerOfTheirOwnAlone() throws Exception {
        int port = Started.freePort();
        try (TestServer server = TestServer.start(data, "--apodex.metrics.port=" + port)) {
            Client client = server.client();
            client.await(client.run(client.handoff(ManyNodesTest.bringIn(client, 2, 1))));
            String figures = new Client(port).get("/actuator/prometheus").text();
            assertThat(figures)
                    .containsPattern("apodex_runs_seconds_count\\{[^}]*ending=\"done\"[^}]*} 1(\\.0)?\\n")
                    .containsPattern("apodex_runs_waiting(\\{[^}]*})? 0(\\.0)?\\n");
            assertThat(new Client(port).get("/actuator/health/readiness").status())
                    .isEqualTo(200);
            assertThat(client.get("/actuator/prometheus").status()).isEqualTo(404);
            assertThat(client.get("/readyz").status()).isEqualTo(200);
            assertThat(new Client(port).get("/api/sessions").status()).isEqualTo(404);
        }
    }

    @Test
    void whoIsAskedToGoFinishesItsRunFirstAndSaysSoInJson() throws Exception {
        List<String> settings =
                List.of("--db-scheduler.shutdown-max-wait=2m", "--logging.structured.format.console=ecs");
        try (NodeProcess node = new NodeProcess(data, settings)) {
            node.start();
            Client client = node.client();
            String run = client.run(client.handoff(ManyNodesTest.bringIn(client, 6, 60)), ManyNodesTest.EVERYTHING);
            while (client.get("/api/runs/" + run).json().get("progress").asDouble() < 0.05) {
                Thread.sleep(20);
            }
            node.stop();
            List<String> endings = node.said()
                    .lines()
                    .filter(line -> line.startsWith("{") && line.endsWith("}") && line.contains("ending="))
                    .toList();
            assertThat(endings).as(node.said()).hasSize(1);
            assertThat(new ObjectMapper()
                            .readTree(endings.get(0))
                            .get("message")
                            .asText())
                    .startsWith("run=" + run + " ending=done");
        }
    }

    @Test
    void aNodeThatOthersWouldNotFindFilesOnDoesNotStart() {
        assertThatThrownBy(() -> TestServer.start(data, "--apodex.role=web"))
                .hasStackTraceContaining("CannotStart")
                .hasStackTraceContaining("set APODEX_STORAGE to s3://bucket/prefix");
    }

    @Test
    void wordsThatNobodyUnderstandsAreToldByTheirSetting() {
        assertThatThrownBy(() -> TestServer.start(data.resolve("1"), "--apodex.role=cook"))
                .hasStackTraceContaining("APODEX_ROLE is “cook”");
        assertThatThrownBy(() -> TestServer.start(data.resolve("2"), "--apodex.db.address=mysql://x"))
                .hasStackTraceContaining("APODEX_DB is “mysql://x”");
        assertThatThrownBy(() -> TestServer.start(data.resolve("3"), "--apodex.storage.address=/mnt/share"))
                .hasStackTraceContaining("APODEX_STORAGE is “/mnt/share”");
        assertThatThrownBy(() -> TestServer.start(
                        data.resolve("4"),
                        "--apodex.storage.address=s3://house",
                        "--apodex.storage.endpoint=http://a:9000,http://b:9000"))
                .hasStackTraceContaining("APODEX_S3_ENDPOINT is “http://a:9000,http://b:9000”");
    }
}
