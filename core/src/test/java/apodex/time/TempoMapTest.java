package apodex.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

final class TempoMapTest {
    private static final SampleRate RATE = new SampleRate(48_000);

    @Test
    void barsFallWhereTheirSecondsSay() {
        TempoMap waltz = new TempoMap(96, Meter.parse("3/4"));
        assertThat(waltz.framesPerBar(RATE)).isEqualTo(1.875 * 48_000);
        assertThat(waltz.frameOfBar(1, RATE)).isZero();
        assertThat(waltz.frameOfBar(37, RATE)).isEqualTo(36 * 90_000);
        TempoMap sixEight = new TempoMap(120, Meter.parse(" 6 / 8 "));
        assertThat(sixEight.framesPerBar(RATE)).as("six eighths are three quarters").isEqualTo(1.5 * 48_000);
        assertThat(sixEight.framesPerBeat(RATE)).isEqualTo(0.25 * 48_000);
    }

    @Test
    void longSongsDoNotDriftByRounding() {
        TempoMap odd = new TempoMap(97.3, Meter.FOUR_FOUR);
        double exact = 4 * 60 / 97.3 * 48_000 * 999;
        assertThat((double) odd.frameOfBar(1_000, RATE)).isCloseTo(exact, within(0.5));
    }

    @ParameterizedTest
    @ValueSource(strings = {"3", "0/4", "3/5", "65/4", "3/64", "", "-3/4", "3/4/5"})
    void refusesWhatIsNoMeter(String written) {
        assertThatThrownBy(() -> Meter.parse(written)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(written);
    }

    @ParameterizedTest
    @ValueSource(doubles = {9.9, 1_000, Double.NaN, Double.POSITIVE_INFINITY, -96})
    void refusesWhatIsNoTempo(double tempo) {
        assertThatThrownBy(() -> new TempoMap(tempo, Meter.FOUR_FOUR)).hasMessageContaining("10 to 999");
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
}
