package apodex.server.sessions;

import apodex.audio.WorkFolder;
import apodex.demo.LowTideWaltz;
import apodex.intake.RecordingStore;
import apodex.server.DataFolder;
import apodex.server.accounts.Door;
import apodex.server.nodes.ThisNode;
import java.io.IOException;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;

/** Puts the demo song on the shelf, once. */
@Component
@Order(0)
@ConditionalOnProperty(name = "apodex.demo", havingValue = "true")
public class DemoSong implements ApplicationRunner {
    public static final String ID = "low-tide-waltz";
    private static final Logger LOG = LoggerFactory.getLogger(DemoSong.class);

    private final Sessions sessions;
    private final RecordingStore store;
    private final DataFolder dataFolder;
    private final ThisNode node;

    DemoSong(Sessions sessions, RecordingStore store, DataFolder dataFolder, ThisNode node) {
        this.node = node;
        this.sessions = sessions;
        this.store = store;
        this.dataFolder = dataFolder;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (!node.serves() || sessions.exists(ID)) {
            return;
        }
        Path work = dataFolder.newWorkFolder();
        try {
            sessions.create(ID, Door.HOUSE, LowTideWaltz.record(store, work), "Record the demo song");
        } catch (DuplicateKeyException e) {
            LOG.info("Another node put the demo song on the shelf.");
        } finally {
            WorkFolder.remove(work);
        }
    }
}
