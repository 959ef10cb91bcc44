package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.session.Move;
import apodex.session.PanLaw;
import apodex.session.Strip;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Factors of moving faders and pans against the formulas of every frame, to the last digits. */
final class MovingGainsTest {
    private static final Strip STRIP = Strip.PLAIN
            .withFader(-4, 20)
            .withMoves(
                    List.of(new Move(100, -20), new Move(3_000, 6), new Move(3_001, -144), new Move(5_000, 0)),
                    List.of(new Move(0, -100), new Move(2_000, 100), new Move(2_500, 100), new Move(9_001, -33.3)));

    private static double at(List<Move> moves, long frame) {
        Move before = moves.get(0);
        for (Move move : moves) {
            if (move.frame() > frame) {
                double share = (double) (frame - before.frame()) / (move.frame() - before.frame());
                return frame <= before.frame()
                        ? before.value()
                        : before.value() + share * (move.value() - before.value());
            }
            before = move;
        }
        return before.value();
    }

    @ParameterizedTest
    @EnumSource(PanLaw.class)
    void followTheFormulasFrameByFrame(PanLaw law) {
        double power =
                switch (law) {
                    case ZERO, MINUS_3 -> 1;
                    case MINUS_4_5 -> 1.5;
                    case MINUS_6 -> 2;
                };
        double lift = law == PanLaw.ZERO ? Math.sqrt(2) : 1;
        for (int width = 1; width <= 2; width++) {
            double[][] gains = filled(width, law, 1);
            for (int frame = 0; frame < gains[0].length; frame++) {
                double db = at(STRIP.faderMoves(), frame);
                double position = at(STRIP.panMoves(), frame);
                double level = db <= -144 ? 0 : Math.pow(10, db / 20);
                for (int side = 0; side < 2; side++) {
                    double towards = side == 0 ? -position : position;
                    double pan = width == 1
                            ? lift * Math.pow(Math.max(0, Math.cos((100 - towards) / 200 * Math.PI / 2)), power)
                            : towards >= 0 ? 1 : Math.cos(-towards / 100 * Math.PI / 2);
                    assertThat(gains[side][frame])
                            .as("side %d of %d at frame %d", side, width, frame)
                            .isCloseTo(level * pan, within(1e-13));
                }
            }
            assertThat(gains[1][0]).as("hard left leaves nothing on the right").isZero();
            assertThat(gains[0][2_200]).isZero();
        }
    }

    @ParameterizedTest
    @EnumSource(PanLaw.class)
    void areTheSameWhateverBlocksTheyAreAskedIn(PanLaw law) {
        assertThat(filled(1, law, 1)).isDeepEqualTo(filled(1, law, 2));
        assertThat(filled(2, law, 3)).isDeepEqualTo(filled(2, law, 4));
    }

    private static double[][] filled(int width, PanLaw law, int seed) {
        SplittableRandom chance = new SplittableRandom(seed);
        MovingGains gains = new MovingGains(width, STRIP, law);
        double[][] all = new double[2][10_000];
        for (int first = 0; first < 10_000; ) {
            int count = Math.min(10_000 - first, 1 + chance.nextInt(700));
            double[] left = new double[count];
            double[] right = new double[count];
            gains.fill(first, count, left, right);
            System.arraycopy(left, 0, all[0], first, count);
            System.arraycopy(right, 0, all[1], first, count);
            first += count;
        }
        return all;
    }
}
