package apodex.signal;

/** Told about the walk after every block. */
public interface WalkObserver {
    WalkObserver NONE = share -> {};

    /** @param share of the whole walk that all files have behind them, from 0 to 1, ascending */
    void printed(double share);

    /** Asked after every block; true ends the walk. */
    default boolean isCancelled() {
        return false;
    }
}
