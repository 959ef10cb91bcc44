package apodex.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Weighted fair queueing, against what it promises: shares, and a bound on who waits how long. */
class TurnsTest {
    private record Waiting(String house, String person, double seconds, long turn) {}

    /** The queue as the database keeps it. */
    private static final class House {
        private final List<Waiting> waiting = new ArrayList<>();
        private long clock;

        void ask(String house, String person, double seconds) {
            long last = waiting.stream()
                    .filter(run -> run.person().equals(person) && run.seconds() <= 4 * seconds)
                    .mapToLong(Waiting::turn)
                    .max()
                    .orElse(0);
            int people = 1
                    + (int) waiting.stream()
                            .filter(run ->
                                    run.house().equals(house) && !run.person().equals(person))
                            .map(Waiting::person)
                            .distinct()
                            .count();
            waiting.add(new Waiting(house, person, seconds, Turns.turn(clock, last, seconds, people)));
        }

        Waiting next() {
            Waiting next = waiting.stream()
                    .min(Comparator.comparingLong(Waiting::turn))
                    .orElseThrow();
            waiting.remove(next);
            clock = Math.max(clock, next.turn());
            return next;
        }

        List<String> people(int runs) {
            List<String> people = new ArrayList<>();
            for (int i = 0; i < runs; i++) {
                people.add(next().person());
            }
            return people;
        }
    }

    @Test
    void whoAsksForMuchDoesNotHoldUpWhoAsksForLittle() {
        House queue = new House();
        for (int i = 0; i < 50; i++) {
            queue.ask("h", "much", 10);
        }
        queue.people(3);
        queue.ask("h", "little", 10);
        queue.ask("h", "little", 10);
        // fair: at the latest after as many of the other's as it has itself, and one that was ahead
        assertThat(queue.people(6)).filteredOn("little"::equals).hasSize(2);
    }

    @Test
    void shortRunsComeBeforeAWholeNightsWork() {
        House queue = new House();
        queue.ask("h", "night", 3600);
        queue.ask("h", "night", 3600);
        queue.ask("h", "night", 5);
        queue.ask("h", "other", 5);
        assertThat(List.of(queue.next().seconds(), queue.next().seconds())).containsExactly(5.0, 5.0);
    }

    @Test
    void somebodysOwnRunsOfASizeStayInTheirOrder() {
        House queue = new House();
        for (double seconds : List.of(10.0, 12.0, 9.0, 11.0)) {
            queue.ask("h", "one", seconds);
        }
        assertThat(List.of(queue.next(), queue.next(), queue.next(), queue.next()))
                .extracting(Waiting::seconds)
                .containsExactly(10.0, 12.0, 9.0, 11.0);
    }

    @Test
    void housesShareWhateverNumberOfPeopleTheyHave() {
        House queue = new House();
        for (int round = 0; round < 40; round++) {
            for (int person = 0; person < 4; person++) {
                queue.ask("large", "large " + person, 10);
            }
            queue.ask("small", "small", 10);
        }
        long ofSmall = queue.people(60).stream().filter("small"::equals).count();
        assertThat(ofSmall)
                .as("half of sixty, but for what was asked before all were there")
                .isBetween(25L, 35L);
    }

    @Test
    void nobodyWaitsForEver() {
        House queue = new House();
        queue.ask("h", "patient", 600);
        int before = 0;
        queue.ask("h", "busy", 10);
        while (!queue.next().person().equals("patient")) {
            before++;
            queue.ask("h", "busy", 10); // as soon as one is done, the next
        }
        // the other is served as long as it takes, at twice its cost since two of the house wait: 600 / 20, or 600 / 10
        assertThat(before).isBetween(25, 61);
    }
}
