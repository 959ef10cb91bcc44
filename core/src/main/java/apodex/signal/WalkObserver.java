package apodex.signal;

import java.util.function.BooleanSupplier;

/** Told about the walk after every block. */
public interface WalkObserver {
    WalkObserver NONE = share -> {};

    /** One that is not told how far it is, and only asked whether to go on. */
    static WalkObserver cancelledBy(BooleanSupplier cancelled) {
        return new WalkObserver() {
            @Override
            public void printed(double share) {
                // whoever waits is told by others
            }

            @Override
            public boolean isCancelled() {
                return cancelled.getAsBoolean();
            }
        };
    }

    /** @param share of the whole walk that all files have behind them, from 0 to 1, ascending */
    void printed(double share);

    /** Asked after every block; true ends the walk. */
    default boolean isCancelled() {
        return false;
    }
}
