package apodex.signal;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CancellationException;

/** Comes after every file's task: tells the observer, and finds out when everything has died away. */
final class Conductor extends Task {
    private final List<TapFile> files;
    private final List<FaderNode> faders;
    private final long gap;
    private final WalkObserver observer;
    private final long earliest;
    private final long walkStart;
    private final int blockFrames;
    private final long latest;
    private final boolean listensForQuiet;
    private final int secondFrames;
    private volatile long lastBlock;
    private long end;

    /**
     * @param faders          what may hold sound back for now
     * @param gap             frames of silence there can be before a tail goes on: quiet has to last that much longer than a second
     * @param leastEnd        frame of the session before which they do not end, quiet or not
     * @param end             frame of the session at which the files end at the latest
     * @param latest          frames by which the latest tap is late
     * @param listensForQuiet whether they may end before, when all is quiet
     */
    Conductor(
            List<TapFile> files,
            List<FaderNode> faders,
            long gap,
            WalkObserver observer,
            Passage passage,
            long leastEnd,
            long walkStart,
            int blockFrames,
            long end,
            long latest,
            boolean listensForQuiet,
            int secondFrames) {
        this.files = files;
        this.faders = faders;
        this.gap = gap;
        this.observer = observer;
        this.earliest = Math.max(passage.range().end(), leastEnd);
        this.walkStart = walkStart;
        this.blockFrames = blockFrames;
        this.latest = latest;
        this.listensForQuiet = listensForQuiet;
        this.secondFrames = secondFrames;
        this.end = end;
        this.lastBlock = Math.max(0, (end + latest - walkStart + blockFrames - 1) / blockFrames - 1);
    }

    long lastBlock() {
        return lastBlock;
    }

    boolean isOver() {
        return done() > lastBlock;
    }

    /** Frame of the session at which the files end. */
    long end() {
        return end;
    }

    @Override
    void step(long block) throws IOException {
        long seen = walkStart + (block + 1) * blockFrames - latest;
        if (listensForQuiet) {
            long quiet = earliest;
            for (TapFile file : files) {
                quiet = Math.max(quiet, file.lastLoudFrame() + 1 + secondFrames);
            }
            long settled = quiet;
            for (FaderNode fader : faders) {
                settled = Math.max(settled, fader.lastHeldFrame() + secondFrames);
            }
            if (quiet < end && (settled + gap <= seen || seen >= end)) {
                end = quiet;
                lastBlock = block;
            }
        }
        observer.printed((block + 1.0) / (lastBlock + 1));
        if (observer.isCancelled()) {
            throw new CancellationException("The walk was cancelled.");
        }
    }
}
