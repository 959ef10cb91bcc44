package apodex.check;

import java.util.function.Consumer;

/**
 * One fault that a session or what is planned of it can have. Has no state. Listed in {@link Checks}.
 */
public abstract class Check {
    private final String id;

    Check(String id) {
        this.id = id;
    }

    /** Its name in documents. */
    public final String id() {
        return id;
    }

    /** Looks a session over and tells every fault of this kind. */
    abstract void look(Look at, Consumer<Finding> found);
}
