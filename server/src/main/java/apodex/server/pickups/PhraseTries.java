package apodex.server.pickups;

import apodex.server.web.Refused;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Component;

/**
 * Judges pass phrases: each try is counted before it is judged, so that many at once win nothing, and for whoever makes it, so that a
 * guesser does not keep the receiver out. Phrases are costly to check on purpose; only a few are checked at a time.
 */
@Component
class PhraseTries {
    /** Slips of the finger cost nothing. */
    private static final int FREE_TRIES = 3;

    private static final Duration LONGEST_WAIT = Duration.ofMinutes(15);
    private static final int JUDGED_AT_ONCE = 2;
    private static final int PATIENCE_SECONDS = 3;

    private final PhraseTryMapper mapper;
    private final Semaphore judging = new Semaphore(JUDGED_AT_ONCE, true);

    PhraseTries(PhraseTryMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * Judges one.
     *
     * @param address where it comes from
     * @param isRight asked where the try is allowed
     * @throws Refused (429) while whoever makes it has to wait, or too many are judged already
     */
    boolean judge(String pickupId, String address, BooleanSupplier isRight) {
        Instant now = Instant.now();
        mapper.begin(pickupId, address);
        if (mapper.take(pickupId, address, FREE_TRIES, LONGEST_WAIT.toSeconds(), now) == 0) {
            Instant until = mapper.blockedUntil(pickupId, address);
            long seconds =
                    until == null ? 1 : Math.max(1, Duration.between(now, until).toSeconds() + 1);
            throw Refused.tooMany(
                    "Too many wrong tries. Try again in "
                            + (seconds < 90 ? seconds + " s." : (seconds + 59) / 60 + " minutes."),
                    seconds);
        }
        boolean right = inTurn(isRight);
        if (right) {
            mapper.forget(pickupId, address);
        }
        return right;
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
