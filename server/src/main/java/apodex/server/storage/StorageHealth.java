package apodex.server.storage;

import java.io.IOException;
import org.springframework.boot.actuate.health.AbstractHealthIndicator;
import org.springframework.boot.actuate.health.Health;
import org.springframework.stereotype.Component;

/** Whether the storage answers. */
@Component("storageHealthIndicator")
class StorageHealth extends AbstractHealthIndicator {
    /** Nothing is called so. */
    private static final String NOTHING = "health";

    private final Storage storage;

    StorageHealth(Storage storage) {
        super("The storage does not answer.");
        this.storage = storage;
    }

    @Override
    protected void doHealthCheck(Health.Builder builder) throws IOException {
        storage.find(NOTHING, NOTHING);
        builder.up();
    }
}
