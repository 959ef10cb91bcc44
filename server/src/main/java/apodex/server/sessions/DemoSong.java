package apodex.server.sessions;

import apodex.audio.WorkFolder;
import apodex.demo.LowTideWaltz;
import apodex.intake.RecordingStore;
import apodex.server.DataFolder;
import apodex.server.accounts.Door;
import java.io.IOException;
import java.nio.file.Path;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Puts the demo song on the shelf, once. */
@Component
@Order(0)
@ConditionalOnProperty(name = "apodex.demo", havingValue = "true")
public class DemoSong implements ApplicationRunner {
    public static final String ID = "low-tide-waltz";

    private final Sessions sessions;
    private final RecordingStore store;
    private final DataFolder dataFolder;

    DemoSong(Sessions sessions, RecordingStore store, DataFolder dataFolder) {
        this.sessions = sessions;
        this.store = store;
        this.dataFolder = dataFolder;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (sessions.exists(ID)) {
            return;
        }
        Path work = dataFolder.newWorkFolder();
        try {
            sessions.create(ID, Door.HOUSE, LowTideWaltz.record(store, work), "Record the demo song");
        } finally {
            WorkFolder.remove(work);
        }
    }
}
