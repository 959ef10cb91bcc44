package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.server.pace.Pace;
import apodex.signal.WalkObserver;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;

/**
 * Turns what the walk and the proof report into progress, tells the database a few times a second, and asks it as
 * often whether the run was cancelled.
 */
final class ProgressMeter implements WalkObserver {
    private static final long TELL_EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(200);
    private static final Logger LOG = LoggerFactory.getLogger(ProgressMeter.class);

    /** Before this share of a step is done, its own speed tells less than that of earlier runs. */
    private static final double TOO_EARLY = 0.05;

    private final RunMapper mapper;
    private final String runId;
    private final String claim;
    private final Plan plan;
    /** Packing takes next to nothing. */
    private final Pace.Expected expected;

    private final long startNanos = System.nanoTime();
    private long toldNanos;
    private double secondsPrinted;
    private double secondsAll;
    private boolean printedBefore;
    private double shareRead;
    private volatile boolean cancelled;
    private volatile boolean isLost;

    ProgressMeter(RunMapper mapper, String runId, String claim, Plan plan, Pace.Expected expected) {
        this.claim = claim;
        this.mapper = mapper;
        this.runId = runId;
        this.plan = plan;
        this.expected = expected;
    }

    @Override
    public void printed(double share) {
        secondsPrinted = elapsedSeconds();
        if (isTimeToTell()) {
            double left = share < TOO_EARLY ? expected.printing() : elapsedSeconds() * (1 / share - 1);
            tell(
                    RunState.PRINTING,
                    progress(
                            Math.round(share * plan.frames()),
                            expected.printingShare() * share,
                            left + expected.reading()));
        }
    }

    /** All files are there already, made by an attempt that did not come to its end. */
    void printedBefore() {
        printedBefore = true;
        printed(1);
    }

    /** Whether this attempt did all the work, so that its time says how long such work takes. */
    boolean isWhole() {
        return !printedBefore;
    }

    /** What printing all of it was expected to take. */
    double secondsExpected() {
        return expected.printing();
    }

    double secondsPrinted() {
        return secondsPrinted;
    }

    /** Of a run that is done: from the last written file to the parcel. */
    double secondsRead() {
        return secondsAll - secondsPrinted;
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
        double reading = elapsedSeconds() - secondsPrinted;
        tell(
                RunState.PROOFING,
                progress(
                        plan.frames(),
                        expected.printingShare() + (1 - expected.printingShare()) * shareRead,
                        shareRead < TOO_EARLY ? expected.reading() : reading * (1 / shareRead - 1)));
    }

    RunProgress finished() {
        secondsAll = elapsedSeconds();
        return new RunProgress(
                plan.frames(), plan.prints().size(), secondsPrinted, timesRealTime(plan.frames()), 0.0, 1);
    }

    private RunProgress progress(long framesPrinted, double fraction, double secondsLeft) {
        return new RunProgress(
                framesPrinted,
                (int) (plan.prints().size() * shareRead),
                secondsPrinted,
                timesRealTime(framesPrinted),
                secondsLeft,
                fraction);
    }

    private Double timesRealTime(long framesPrinted) {
        return secondsPrinted > 0 ? plan.rate().seconds(framesPrinted) / secondsPrinted : null;
    }

    private double elapsedSeconds() {
        return (System.nanoTime() - startNanos) / 1e9;
    }

    /** News that cannot be told now are told with the next: printing goes on while the database is away. */
    private void tell(RunState state, RunProgress progress) {
        try {
            isLost |= mapper.update(runId, claim, state, progress) == 0;
        } catch (DataAccessException e) {
            LOG.debug("The progress of run {} could not be told.", runId, e);
        }
    }

    private boolean isTimeToTell() {
        long now = System.nanoTime();
        if (now - toldNanos < TELL_EVERY_NANOS) {
            return false;
        }
        toldNanos = now;
        try {
            cancelled = mapper.isCancelRequested(runId);
        } catch (DataAccessException e) {
            LOG.debug("Whether run {} is wanted could not be asked.", runId, e);
        }
        return true;
    }

    /** True as well when somebody else has taken the run up, or the server is going down and wants its threads back. */
    @Override
    public boolean isCancelled() {
        return cancelled || isLost || Thread.currentThread().isInterrupted();
    }
}
