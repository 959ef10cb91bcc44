package apodex.server.recordings;

import java.io.IOException;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import org.springframework.stereotype.Component;

/**
 * Each recording is kept once, whoever uses it: one that nobody uses must not be removed while a session is being made that will find it
 * in the store. One server has a data folder to itself, so a lock in memory is enough.
 */
@Component
public class RecordingsInUse {
    private final ReadWriteLock lock = new ReentrantReadWriteLock();

    /** What takes recordings from the store and says in the database who uses them. */
    public interface Bringing<T> {
        T bring() throws IOException;
    }

    /** Any number at once; nothing is removed meanwhile. */
    public <T> T bringing(Bringing<T> work) throws IOException {
        lock.readLock().lock();
        try {
            return work.bring();
        } finally {
            lock.readLock().unlock();
        }
    }

    /** When nothing is being brought in. */
    public void removing(Runnable work) {
        lock.writeLock().lock();
        try {
            work.run();
        } finally {
            lock.writeLock().unlock();
        }
    }

    /** When nothing is being brought in just now; else not at all. */
    public void removingIfQuiet(Runnable work) {
        if (lock.writeLock().tryLock()) {
            try {
                work.run();
            } finally {
                lock.writeLock().unlock();
            }
        }
    }
}
