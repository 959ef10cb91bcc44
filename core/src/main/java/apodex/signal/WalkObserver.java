package apodex.signal;

/** Told about the walk after every block. */
public interface WalkObserver {
    WalkObserver NONE = frames -> { };

    /** All files now hold this many frames. */
    void printed(long frames);

    /** Asked after every block; true ends the walk. */
    default boolean isCancelled() {
        return false;
    }
}
