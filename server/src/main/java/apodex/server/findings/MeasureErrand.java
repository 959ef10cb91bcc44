package apodex.server.findings;

import apodex.intake.RecordingStore;
import apodex.server.errands.Errand;
import apodex.server.nodes.ThisNode;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Reads every sample of a recording, on the node that took it up. */
@Component
class MeasureErrand implements Errand {
    static final String NAME = "measure";
    private static final Logger LOG = LoggerFactory.getLogger(MeasureErrand.class);

    private final RecordingStore store;
    private final ThisNode node;

    MeasureErrand(RecordingStore store, ThisNode node) {
        this.store = store;
        this.node = node;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public Ending run(String sha256) {
        if (!store.has(sha256) || store.isScanned(sha256)) {
            return Ending.DONE;
        }
        if (node.isPrinting()) {
            return Ending.LATER;
        }
        try {
            store.measure(sha256);
        } catch (IOException e) {
            LOG.warn("Recording {} could not be measured.", sha256, e);
        }
        return Ending.DONE;
    }
}
