package apodex.intake;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.concurrent.atomic.AtomicInteger;

/** How far a drop has been looked into: one stage after the other, each file by file. May be asked from any thread. */
public final class DropProgress {
    /** What is being done with the files. */
    public enum Stage {
        /** Taken in, and told what they are. */
        @JsonProperty("reading")
        READING,
        /** Heard, for what is wrong with them. */
        @JsonProperty("hearing")
        HEARING,
        /** Looked for in the mix. */
        @JsonProperty("placing")
        PLACING
    }

    private final AtomicInteger done = new AtomicInteger();
    private volatile Stage stage = Stage.READING;
    private volatile int files;
    private volatile String file = "";

    void begin(Stage next, int count) {
        stage = next;
        done.set(0);
        files = count;
    }

    void begin(String name) {
        file = name;
    }

    void end() {
        done.incrementAndGet();
    }

    /** What is being done. */
    public Stage stage() {
        return stage;
    }

    /** How many files this stage is over with. */
    public int done() {
        return done.get();
    }

    /** How many this stage has, those in zips included; 0 while zips are unpacked. */
    public int files() {
        return files;
    }

    /** The one that was begun last, empty before the first. */
    public String file() {
        return file;
    }
}
