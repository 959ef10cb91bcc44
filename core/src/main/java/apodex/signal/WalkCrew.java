package apodex.signal;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;

/**
 * A fixed crew of threads that takes all rows through a block, then the mix, then the next block. Rows of a block
 * are shared out as threads become free; the calling thread is one of the crew.
 */
final class WalkCrew {
    private final List<RowWorker> rows;
    private final MixSum mix;
    private final long frames;
    private final int blockFrames;
    private final WalkObserver observer;
    private final AtomicInteger nextRow = new AtomicInteger();
    private final AtomicReference<Throwable> failure = new AtomicReference<>();
    private final CyclicBarrier barrier;
    private final int threads;
    private volatile long first;
    private volatile boolean stopped;

    WalkCrew(List<RowWorker> rows, MixSum mix, long frames, int blockFrames, int threads, WalkObserver observer) {
        this.rows = rows;
        this.mix = mix;
        this.frames = frames;
        this.blockFrames = blockFrames;
        this.observer = observer;
        this.threads = Math.max(1, Math.min(threads, rows.size()));
        this.barrier = new CyclicBarrier(this.threads, this::finishBlock);
    }

    /**
     * Walks from the first frame to the last.
     *
     * @throws CancellationException when the observer or an interrupt asked to stop
     */
    void walk() throws IOException {
        Thread[] others = new Thread[threads - 1];
        for (int i = 0; i < others.length; i++) {
            others[i] = new Thread(this::work, "walk-" + (i + 1));
            others[i].setDaemon(true);
            others[i].start();
        }
        work();
        boolean interrupted = false;
        for (Thread other : others) {
            while (other.isAlive()) {
                try {
                    other.join();
                } catch (InterruptedException e) {
                    interrupted = true;
                }
            }
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
        rethrow(failure.get());
    }

    private void work() {
        while (!stopped) {
            try {
                int frameCount = (int) Math.min(blockFrames, frames - first);
                for (int row = nextRow.getAndIncrement(); row < rows.size(); row = nextRow.getAndIncrement()) {
                    rows.get(row).step(first, frameCount);
                }
            } catch (Throwable e) {
                failure.compareAndSet(null, e);
            }
            try {
                barrier.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                fail(new CancellationException("The walk was interrupted."));
            } catch (BrokenBarrierException e) {
                fail(new CancellationException("The walk was interrupted."));
            }
        }
    }

    private void fail(Throwable e) {
        failure.compareAndSet(null, e);
        stopped = true;
    }

    /** Runs alone, when all rows have finished the block. */
    private void finishBlock() {
        try {
            if (failure.get() == null) {
                int frameCount = (int) Math.min(blockFrames, frames - first);
                mix.step(first, frameCount);
                first += frameCount;
                observer.printed(first);
                if (observer.isCancelled()) {
                    throw new CancellationException("The walk was cancelled.");
                }
            }
        } catch (Throwable e) {
            failure.compareAndSet(null, e);
        }
        nextRow.set(0);
        stopped = failure.get() != null || first >= frames;
    }

    private static void rethrow(Throwable e) throws IOException {
        if (e instanceof IOException io) {
            throw io;
        }
        if (e instanceof RuntimeException runtime) {
            throw runtime;
        }
        if (e instanceof Error error) {
            throw error;
        }
    }
}
