package apodex.proof;

import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;

/** A file that is read back in step with others. One that cannot be read adds nothing from there on. */
final class Member implements AutoCloseable {
    private final Reading reading;
    private final Laid laid;
    private final Part part;
    private final byte[] raw;
    private int there;
    private Exception trouble;

    /** What a file is to a sum. */
    enum Part {
        ADDED,
        AGAINST,
        NONE
    }

    /** @throws IOException when it is not there, or is no sound file */
    Member(Path file, Laid laid, Part part, int blockFrames) throws IOException {
        this.reading = new Reading(file);
        this.laid = laid;
        this.part = part;
        this.raw = new byte[blockFrames * reading.layout().frameBytes()];
    }

    Reading reading() {
        return reading;
    }

    Part part() {
        return part;
    }

    /** Why it could not be read to its end; null when it could. */
    @Nullable
    Exception trouble() {
        return trouble;
    }

    /** Reads its next frames. */
    void read(int frames) {
        there = 0;
        if (trouble == null) {
            try {
                there = reading.read(raw, frames);
            } catch (IOException | RuntimeException e) {
                trouble = e;
            }
        }
    }

    /** Lays some of the frames it has read last onto a sum. */
    void layOnto(SumBlock block, int from, int count) {
        int here = Math.min(count, there - from);
        if (here > 0) {
            laid.add(raw, reading.layout(), from, here, block, part);
        }
    }

    /** Reads what comes behind the frames that were to be there. */
    void finish() {
        if (trouble == null) {
            try {
                reading.finish(raw);
            } catch (IOException | RuntimeException e) {
                trouble = e;
            }
        }
    }

    @Override
    public void close() throws IOException {
        reading.close();
    }
}
