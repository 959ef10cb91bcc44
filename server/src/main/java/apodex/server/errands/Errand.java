package apodex.server.errands;

/** A kind of work that can wait. It may be begun any number of times, and be at work twice where a node slept. */
public interface Errand {
    /** What it is called in the table. */
    String name();

    /** How it ended. */
    enum Ending {
        DONE,
        /** Something else comes first: once more in a moment. */
        LATER
    }

    Ending run(String id);
}
