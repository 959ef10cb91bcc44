package apodex.server.phrases;

import apodex.server.web.Refused;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Judges pass phrases: each try is counted before it is judged, so that many at once win nothing, and for whoever makes it, so that a
 * guesser does not keep the receiver out. Phrases are costly to check on purpose; only a few are checked at a time.
 */
@Component
public class PhraseTries {
    /** Slips of the finger cost nothing. */
    public static final int FREE_TRIES = 3;

    private static final Duration LONGEST_WAIT = Duration.ofMinutes(15);
    private static final Duration KEPT = Duration.ofDays(1);
    private static final int JUDGED_AT_ONCE = 2;
    private static final int PATIENCE_SECONDS = 3;

    private final PhraseTryMapper mapper;
    private final Semaphore judging = new Semaphore(JUDGED_AT_ONCE, true);

    PhraseTries(PhraseTryMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * Where tries are counted.
     *
     * @param door what is to be opened; tries at one say nothing of another
     * @param free how many tries cost no wait
     */
    public record Count(String door, int free) {}

    /** The same, for one door. */
    public boolean judge(String door, String address, BooleanSupplier isRight) {
        return judge(List.of(new Count(door, FREE_TRIES)), address, isRight);
    }

    /**
     * Judges one.
     *
     * @param counts  where it is counted: a right one clears the first, and is no try at the others
     * @param address where it comes from
     * @param isRight asked where the try is allowed
     * @throws Refused (429) while whoever makes it has to wait, or too many are judged already
     */
    public boolean judge(List<Count> counts, String address, BooleanSupplier isRight) {
        counts.forEach(count -> take(count, address));
        boolean right = inTurn(isRight);
        if (right) {
            mapper.forget(counts.get(0).door(), address);
            counts.stream().skip(1).forEach(count -> mapper.giveBack(count.door(), address));
        }
        return right;
    }

    private void take(Count count, String address) {
        Instant now = Instant.now();
        mapper.begin(count.door(), address);
        if (mapper.take(count.door(), address, count.free(), LONGEST_WAIT.toSeconds(), now) == 0) {
            Instant until = mapper.blockedUntil(count.door(), address);
            long seconds =
                    until == null ? 1 : Math.max(1, Duration.between(now, until).toSeconds() + 1);
            throw Refused.tooMany(
                    "Too many wrong tries. Try again in "
                            + (seconds < 90 ? seconds + " s." : (seconds + 59) / 60 + " minutes."),
                    seconds);
        }
    }

    /** Nobody waits longer than a quarter of an hour; what is older says nothing any more. */
    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.HOURS)
    void forgetOld() {
        mapper.forgetOld(Instant.now().minus(KEPT));
    }

    private boolean inTurn(BooleanSupplier isRight) {
        try {
            if (!judging.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw Refused.tooMany("Many pass phrases are tried here right now. Try again in a moment.", 1);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Refused.tooMany("The server is going down. Try again in a moment.", 1);
        }
        try {
            return isRight.getAsBoolean();
        } finally {
            judging.release();
        }
    }
}
