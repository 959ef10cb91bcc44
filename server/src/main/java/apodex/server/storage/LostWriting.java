package apodex.server.storage;

import java.io.IOException;

/** Somebody took so long to put something into the storage that others take it for given up. */
public final class LostWriting extends IOException {
    private static final long serialVersionUID = 1;

    LostWriting(String name) {
        super("Putting “" + name + "” into the storage took too long; others have gone on.");
    }
}
