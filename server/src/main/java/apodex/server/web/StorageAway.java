package apodex.server.web;

import java.io.IOException;

/** The storage does not answer, or refuses. */
public final class StorageAway extends IOException {
    private static final long serialVersionUID = 1;

    public StorageAway(Throwable why) {
        super("The storage of recordings and parcels cannot be reached: " + why.getMessage(), why);
    }
}
