package apodex.server.runs;

import apodex.signal.WalkObserver;
import apodex.time.SampleRate;
import java.util.concurrent.TimeUnit;

/**
 * Turns what the walk and the proof report into progress, tells the database a few times a second, and asks it as
 * often whether the run was cancelled.
 */
final class ProgressMeter implements WalkObserver {
    private static final long TELL_EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(200);
    /** Shares of the whole that printing and reading back take; packing takes next to nothing. */
    private static final double PRINTING_SHARE = 0.65;

    private static final double READING_SHARE = 0.35;

    private final RunMapper mapper;
    private final String runId;
    private final SampleRate rate;
    private final long frames;
    private final int files;
    private final long startNanos = System.nanoTime();
    private long toldNanos;
    private double secondsPrinted;
    private double shareRead;
    private volatile boolean cancelled;

    ProgressMeter(RunMapper mapper, String runId, SampleRate rate, long frames, int files) {
        this.mapper = mapper;
        this.runId = runId;
        this.rate = rate;
        this.frames = frames;
        this.files = files;
    }

    @Override
    public void printed(double share) {
        secondsPrinted = elapsedSeconds();
        if (isTimeToTell()) {
            mapper.update(runId, RunState.PRINTING, progress(Math.round(share * frames), PRINTING_SHARE * share));
        }
    }

    /** So much of all files was read. */
    synchronized void read(double share) {
        shareRead = share;
        if (isTimeToTell()) {
            tellReading();
        }
    }

    /** All files are printed; they are being read. */
    synchronized void tellReading() {
        mapper.update(runId, RunState.PROOFING, progress(frames, PRINTING_SHARE + READING_SHARE * shareRead));
    }

    RunProgress finished() {
        return new RunProgress(frames, files, secondsPrinted, timesRealTime(frames), 0.0, 1);
    }

    private RunProgress progress(long framesPrinted, double fraction) {
        double elapsed = elapsedSeconds();
        Double left = fraction > 0.01 ? elapsed / fraction - elapsed : null;
        return new RunProgress(
                framesPrinted, (int) (files * shareRead), secondsPrinted, timesRealTime(framesPrinted), left, fraction);
    }

    private Double timesRealTime(long framesPrinted) {
        return secondsPrinted > 0 ? rate.seconds(framesPrinted) / secondsPrinted : null;
    }

    private double elapsedSeconds() {
        return (System.nanoTime() - startNanos) / 1e9;
    }

    private boolean isTimeToTell() {
        long now = System.nanoTime();
        if (now - toldNanos < TELL_EVERY_NANOS) {
            return false;
        }
        toldNanos = now;
        cancelled = mapper.isCancelRequested(runId);
        return true;
    }

    /** True as well when the server is going down and wants its threads back. */
    @Override
    public boolean isCancelled() {
        return cancelled || Thread.currentThread().isInterrupted();
    }
}
