package apodex.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

final class TempoMapTest {
    private static final SampleRate RATE = new SampleRate(48_000);

    @Test
    void barsFallWhereTheirSecondsSay() {
        TempoMap waltz = TempoMap.steady(96, Meter.parse("3/4"));
        assertThat(waltz.frameOfBar(1, RATE)).isZero();
        assertThat(waltz.frameOfBar(37, RATE)).isEqualTo(36 * 90_000);
        TempoMap sixEight = TempoMap.steady(120, Meter.parse(" 6 / 8 "));
        assertThat(sixEight.frameOfBar(2, RATE))
                .as("six eighths are three quarters")
                .isEqualTo(72_000);
    }

    @Test
    void metersChangeWhereTheySay() {
        TempoMap map = new TempoMap(
                List.of(new TempoChange(0, 60, TempoChange.Way.JUMP)),
                List.of(
                        new MeterChange(1, Meter.parse("4/4")),
                        new MeterChange(3, Meter.parse("3/4")),
                        new MeterChange(5, Meter.parse("7/8"))));
        assertThat(map.quarterOfBar(3)).isEqualTo(8);
        assertThat(map.quarterOfBar(5)).isEqualTo(14);
        assertThat(map.quarterOfBar(7)).isEqualTo(21);
        for (int bar = 1; bar < 20; bar++) {
            assertThat(map.barAt(map.quarterOfBar(bar))).isEqualTo(bar);
            assertThat(map.barAt(map.quarterOfBar(bar + 1) - 1e-6)).isEqualTo(bar);
        }
        assertThat(map.framesOfBarsAt(2, 9 * 48_000, RATE))
                .as("two bars of three")
                .isEqualTo(6 * 48_000);
    }

    @Test
    void aGlideTakesTheTimeItsIntegralSays() {
        TempoMap map = new TempoMap(
                List.of(
                        new TempoChange(0, 120, TempoChange.Way.JUMP),
                        new TempoChange(4, 120, TempoChange.Way.JUMP),
                        new TempoChange(12, 60, TempoChange.Way.GLIDE)),
                List.of(new MeterChange(1, Meter.FOUR_FOUR)));
        double steps = 0;
        int parts = 100_000;
        for (int i = 0; i < parts; i++) { // midpoint rule over 60 / tempo(q)
            steps += 8.0 / parts * 60 / (120 - 60 * (i + 0.5) / parts);
        }
        assertThat(map.secondsAt(12)).isCloseTo(2 + steps, within(1e-9));
        assertThat(map.tempoAt(8)).isEqualTo(90);
        assertThat(map.secondsAt(13) - map.secondsAt(12))
                .as("afterwards it stays")
                .isCloseTo(1, within(1e-12));
        for (double quarter = 0; quarter < 20; quarter += 0.37) {
            assertThat(map.quarterAt(map.secondsAt(quarter))).isCloseTo(quarter, within(1e-9));
        }
    }

    @Test
    void longSongsDoNotDriftByRounding() {
        TempoMap odd = TempoMap.steady(97.3, Meter.FOUR_FOUR);
        double exact = 4 * 60 / 97.3 * 48_000 * 999;
        assertThat((double) odd.frameOfBar(1_000, RATE)).isCloseTo(exact, within(0.5));
    }

    @ParameterizedTest
    @ValueSource(strings = {"3", "0/4", "3/5", "65/4", "3/64", "", "-3/4", "3/4/5"})
    void refusesWhatIsNoMeter(String written) {
        assertThatThrownBy(() -> Meter.parse(written))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(written);
    }

    @ParameterizedTest
    @ValueSource(doubles = {9.9, 1_000, Double.NaN, Double.POSITIVE_INFINITY, -96})
    void refusesWhatIsNoTempo(double tempo) {
        assertThatThrownBy(() -> TempoMap.steady(tempo, Meter.FOUR_FOUR)).hasMessageContaining("10 to 999");
    }

    @Test
    void ratesAreNamedAsPeopleSayThem() {
        assertThat(new SampleRate(44_100).label()).isEqualTo("44.1 kHz");
        assertThat(new SampleRate(192_000).kilohertz()).isEqualTo("192");
        assertThat(new SampleRate(11_025).kilohertz()).isEqualTo("11.025");
        assertThatThrownBy(() -> new SampleRate(7_999)).hasMessageContaining("8 to 384");
        assertThatThrownBy(() -> new SampleRate(384_001)).hasMessageContaining("384001");
    }

    @Test
    void rangesAreHalfOpen() {
        FrameRange range = new FrameRange(10, 20);
        assertThat(range.overlaps(new FrameRange(20, 30))).isFalse();
        assertThat(range.overlaps(new FrameRange(19, 30))).isTrue();
        assertThat(range.intersection(new FrameRange(15, 40))).isEqualTo(new FrameRange(15, 20));
        assertThat(range.intersection(new FrameRange(30, 40)).isEmpty()).isTrue();
        assertThatThrownBy(() -> new FrameRange(5, 4)).hasMessageContaining("cannot end");
    }

    @ParameterizedTest
    @ValueSource(doubles = {97, 101, 113, 120, 133.3})
    void aFrameThatABarWasRoundedToBelongsToIt(double tempo) {
        for (int hertz : new int[] {44_100, 48_000}) {
            SampleRate rate = new SampleRate(hertz);
            TempoMap map = TempoMap.steady(tempo, new Meter(3, 4));
            for (int bar = 2; bar <= 391; bar++) {
                long frame = map.frameOfBar(bar, rate);
                assertThat(map.barAt(map.quarterOf(frame, rate))).isEqualTo(bar);
                assertThat(map.quarterOf(frame, rate)).isGreaterThanOrEqualTo(map.quarterOfBar(bar));
                assertThat(map.barAt(map.quarterOf(frame - 1, rate))).isEqualTo(bar - 1);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 5, 8, 13, 21, 34})
    void aLeadInTakesTheTempoThatJumpsInWhereTheRangeBegins(int bar) {
        for (double before : new double[] {97, 101, 113}) {
            double quarter = 4.0 * (bar - 1);
            TempoMap map = new TempoMap(
                    List.of(
                            new TempoChange(0, before, TempoChange.Way.JUMP),
                            new TempoChange(quarter, 60, TempoChange.Way.JUMP)),
                    List.of(new MeterChange(1, Meter.FOUR_FOUR)));
            assertThat(map.framesOfBarsAt(1, map.frameOfBar(bar, RATE), RATE)).isEqualTo(4 * 48_000);
            assertThat(map.framesOfBarsAt(1, map.frameOfBar(bar, RATE) - 1, RATE))
                    .isEqualTo(Math.round(240 / before * 48_000));
        }
    }
}
