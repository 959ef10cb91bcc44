package apodex.signal;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;

/**
 * A piece of the walk that is done block after block, always by one thread at a time. It may work on block {@code k} when
 * all it {@link #waitFor waits for} have done block {@code k} and none that wait for it is more than {@link #AHEAD}
 * blocks behind: that many blocks of its output are kept.
 */
abstract class Task {
    /** Blocks of output that are kept, so that a thread need not wait for the slowest. */
    static final int AHEAD = 2;

    private final List<Task> waitsFor = new ArrayList<>();
    private final List<Task> heardBy = new ArrayList<>();
    private final AtomicLong claimed = new AtomicLong();
    private volatile long done;

    final void waitFor(Task other) {
        if (other != this && !waitsFor.contains(other)) {
            waitsFor.add(other);
            other.heardBy.add(this);
        }
    }

    /** Blocks finished so far. */
    final long done() {
        return done;
    }

    /** Does the next block when it may and no other thread is at it. */
    final boolean tryStep(long lastBlock) throws IOException {
        long block = done;
        if (block > lastBlock
                || claimed.get() != block
                || !isReady(block)
                || !claimed.compareAndSet(block, block + 1)) {
            return false;
        }
        step(block);
        done = block + 1;
        return true;
    }

    private boolean isReady(long block) {
        for (int i = 0; i < waitsFor.size(); i++) {
            if (waitsFor.get(i).done <= block) {
                return false;
            }
        }
        for (int i = 0; i < heardBy.size(); i++) {
            if (heardBy.get(i).done <= block - AHEAD) {
                return false;
            }
        }
        return true;
    }

    abstract void step(long block) throws IOException;
}
