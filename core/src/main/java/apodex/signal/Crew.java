package apodex.signal;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;

/**
 * A fixed crew of threads that does all tasks, block after block, until the last of them has done the last block. Which
 * thread does what is left to chance; what a task computes is not. The calling thread is one of the crew.
 */
final class Crew {
    private static final long NAP_NANOS = 20_000;
    private static final int TRIES_BEFORE_NAP = 20;

    private final Task[] tasks;
    private final Conductor conductor;
    private final int threads;
    private final AtomicReference<Throwable> failure = new AtomicReference<>();

    /** @param tasks in an order in which each comes after those it waits for; the conductor is the last */
    Crew(List<Task> tasks, Conductor conductor, int threads) {
        this.tasks = tasks.toArray(Task[]::new);
        this.conductor = conductor;
        this.threads = Math.max(1, Math.min(threads, tasks.size()));
    }

    /** @throws CancellationException when the observer or an interrupt asked to stop */
    void walk() throws IOException {
        Thread[] others = new Thread[threads - 1];
        for (int i = 0; i < others.length; i++) {
            others[i] = new Thread(this::work, "walk-" + (i + 1));
            others[i].setDaemon(true);
            others[i].start();
        }
        work();
        boolean interrupted = Thread.interrupted();
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
        int idle = 0;
        try {
            while (failure.get() == null && !conductor.isOver()) {
                if (workOnce()) {
                    idle = 0;
                } else if (++idle < TRIES_BEFORE_NAP) {
                    Thread.onSpinWait();
                } else {
                    LockSupport.parkNanos(NAP_NANOS);
                }
                if (Thread.currentThread().isInterrupted()) {
                    throw new CancellationException("The walk was interrupted.");
                }
            }
        } catch (Throwable e) {
            failure.compareAndSet(null, e);
        }
    }

    /** One pass over all tasks, doing each that can be done. */
    private boolean workOnce() throws IOException {
        boolean worked = false;
        long last = conductor.lastBlock();
        for (Task task : tasks) {
            if (task.tryStep(last)) {
                worked = true;
                if (failure.get() != null) {
                    return true;
                }
            }
        }
        return worked;
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
