package apodex.server.nodes;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A member of the database's cluster that has lost the others still takes connections, and refuses whatever is asked over them. */
class LostMemberTest {
    @Test
    void whoComesPassesItOver(@TempDir Path folder) throws Exception {
        try (Cluster cluster = new Cluster(folder, 3)) {
            DatabaseMember first = cluster.databases.get(0);
            first.cutOff();
            Awaitility.await().atMost(Duration.ofMinutes(1)).until(() -> !first.answers());
            NodeProcess node = cluster.add(Role.WEB).process();
            node.awaitAnswer();
            assertThat(ManyNodesTest.bringIn(node.client(), 1, 1)).isNotEmpty();
            assertThat(node.complained()).isEmpty();
        }
    }
}
