package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** How loud files are made, for any peaks. */
class LevellingTest {
    private static List<Optional<Double>> peaks(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Optional<Double>> peaks = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            peaks.add(random.nextInt(6) == 0 ? Optional.empty() : Optional.of(random.nextDouble(-90, 20)));
        }
        return peaks;
    }

    @RepeatedTest(20)
    void everyFileComesIntoTheWindowAndNoFurther(RepetitionInfo info) {
        List<Optional<Double>> peaks = peaks(info.getCurrentRepetition());
        List<Double> turns = Levelling.turns(Settings.USUAL.withLevels(Levels.WINDOW, null), peaks);
        for (int i = 0; i < peaks.size(); i++) {
            double turn = turns.get(i);
            assertThat(100 * turn).as("to hundredths").isCloseTo(Math.rint(100 * turn), within(1e-6));
            if (peaks.get(i).isEmpty()) {
                assertThat(turn).isZero();
                continue;
            }
            double before = peaks.get(i).get();
            assertThat(before + turn).isBetween(-24 - 1e-9, -6 + 1e-9);
            assertThat(turn == 0).isEqualTo(before >= -24 && before <= -6);
            assertThat(before + turn).isCloseTo(Math.max(-24, Math.min(-6, before)), within(0.0101));
        }
    }

    @RepeatedTest(10)
    void headroomKeepsTheBalance(RepetitionInfo info) {
        List<Optional<Double>> peaks = peaks(info.getCurrentRepetition());
        List<Double> turns = Levelling.turns(Settings.USUAL.withLevels(Levels.HEADROOM, 9.0), peaks);
        double loudest = peaks.stream()
                .flatMap(Optional::stream)
                .mapToDouble(each -> each)
                .max()
                .orElseThrow();
        for (int i = 0; i < peaks.size(); i++) {
            assertThat(turns.get(i))
                    .isEqualTo(
                            peaks.get(i).isEmpty()
                                    ? 0
                                    : turns.stream().min(Double::compare).orElseThrow());
        }
        assertThat(loudest + turns.stream().min(Double::compare).orElseThrow()).isBetween(-9.0101, -9 + 1e-9);
    }

    @Test
    void whatHasHeadroomStaysAndNothingIsAskedThatMakesNoSense() {
        List<Optional<Double>> quiet = List.of(Optional.of(-20.0), Optional.empty());
        assertThat(Levelling.turns(Settings.USUAL.withLevels(Levels.HEADROOM, 6.0), quiet))
                .containsExactly(0.0, 0.0);
        assertThat(Levelling.turns(Settings.USUAL, quiet)).containsExactly(0.0, 0.0);
        assertThatThrownBy(() -> Settings.OPEN.withLevels(null, 30.0)).hasMessageContaining("0 to 24 dB");
    }
}
