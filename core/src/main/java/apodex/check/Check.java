package apodex.check;

import java.util.function.Consumer;

/**
 * One fault that a session or what is planned of it can have. Has no state. Listed in {@link Checks}.
 */
public abstract class Check {
    private final String id;
    private final Needs needs;

    /** What a check has to know. */
    public enum Needs {
        /** The session, and what was measured when its recordings came in. */
        SESSION,
        /** What is going to be printed. */
        PLAN,
        /** Every sample of its recordings; what has not been read yet is left out. */
        SOUND
    }

    Check(String id, Needs needs) {
        this.id = id;
        this.needs = needs;
    }

    /** Its name in documents. */
    public final String id() {
        return id;
    }

    public final Needs needs() {
        return needs;
    }

    /** Looks a session over and tells every fault of this kind. */
    abstract void look(Look at, Consumer<Finding> found);
}
