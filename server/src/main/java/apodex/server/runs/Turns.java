package apodex.server.runs;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.springframework.stereotype.Component;

/**
 * Whose turn it is: weighted fair queueing (Demers, Keshav and Shenker, 1989). Each run gets, once and for all, the moment at which it would be over if
 * everybody who waits were served at the same time, by a clock that goes with the work; runs are taken up in that order. So who asks for
 * much does not hold up who asks for little, whole houses share as people do, and nobody waits for ever.
 */
@Component
class Turns {
    /** Turns are kept as times in the scheduler's table; in the past, so that all are due. */
    private static final Instant ZERO = Instant.parse("2001-01-01T00:00:00Z");

    private static final double MICROS = 1e6;
    /** Somebody's own runs stay in their order, but for what is so much smaller. */
    private static final double MUCH_SMALLER = 4;

    private final RunMapper mapper;

    Turns(RunMapper mapper) {
        this.mapper = mapper;
    }

    static Instant instant(long turn) {
        return ZERO.plus(turn, ChronoUnit.MICROS);
    }

    long clock() {
        return mapper.clock();
    }

    /** The clock goes on when a run is taken up. */
    void taken(String runId) {
        mapper.advanceClock(runId);
    }

    /**
     * Gives a run that was just asked for its turn.
     *
     * @param seconds it is expected to take
     */
    Instant seat(String runId, String person, double seconds) {
        String house = mapper.houseOf(person);
        Long last = mapper.lastTurn(person, seconds * MUCH_SMALLER);
        long turn = turn(mapper.clock(), last == null ? 0 : last, seconds, 1 + mapper.othersWaiting(house, person));
        mapper.seat(runId, person, house, seconds, turn);
        return instant(turn);
    }

    /**
     * When it would be over.
     *
     * @param clock  microseconds
     * @param last   turn of what the same person waits for
     * @param people of the house who wait, this one included
     */
    static long turn(long clock, long last, double seconds, int people) {
        return Math.max(clock, last) + Math.max(1, Math.round(seconds * people * MICROS));
    }
}
