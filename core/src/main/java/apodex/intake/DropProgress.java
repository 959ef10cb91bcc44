package apodex.intake;

import java.util.concurrent.atomic.AtomicInteger;

/** How far a drop has been looked into. May be asked from any thread. */
public final class DropProgress {
    private final AtomicInteger read = new AtomicInteger();
    private volatile int files;
    private volatile String file = "";

    void expect(int count) {
        files = count;
    }

    /** More there is to do with them than to read them once. */
    synchronized void expectMore(int count) {
        files += count;
    }

    void begin(String name) {
        file = name;
    }

    void end() {
        read.incrementAndGet();
    }

    /** How many of the drop's files have been read to their end. */
    public int read() {
        return read.get();
    }

    /** How many there are, those in zips included; 0 while zips are unpacked. */
    public int files() {
        return files;
    }

    /** The one that was begun last, empty before the first. */
    public String file() {
        return file;
    }
}
