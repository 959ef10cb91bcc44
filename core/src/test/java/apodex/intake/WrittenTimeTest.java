package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.intake.WrittenTime.WrittenIn;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

final class WrittenTimeTest {
    private static final SampleRate RATE = new SampleRate(48_000);
    /** 3/4 at 120, from bar 3 on 6/8 at 60. */
    private static final TempoMap TEMPO = new TempoMap(
            List.of(new TempoChange(0, 120, TempoChange.Way.JUMP), new TempoChange(6, 60, TempoChange.Way.JUMP)),
            List.of(new MeterChange(1, Meter.parse("3/4")), new MeterChange(3, Meter.parse("6/8"))));

    @ParameterizedTest
    @CsvSource({
        "48000,SAMPLES,48000",
        "48000 samples,BARS,48000",
        "1.5,SECONDS,72000",
        "1.5 s,SAMPLES,72000",
        "250 ms,SAMPLES,12000",
        "0:12.5,SAMPLES,600000",
        "1:00:01,SAMPLES,172848000",
        "bar 1,SAMPLES,0",
        "bar 2,SAMPLES,72000",
        "bar 2 beat 3,SAMPLES,120000",
        "2|3,SAMPLES,120000",
        "2,BARS,72000",
        "bar 4,SAMPLES,288000",
        "bar 4 beat 2,SAMPLES,312000",
        "-480,SAMPLES,-480"
    })
    void placesAsPeopleWriteThem(String written, WrittenIn unit, long frame) {
        assertThat(WrittenTime.parse(written, unit).frame(RATE, TEMPO)).isEqualTo(frame);
    }

    @ParameterizedTest
    @CsvSource({"2 bars,SAMPLES,144000", "0.5,BARS,36000", "1 s,BARS,48000", "100,SAMPLES,100"})
    void lengths(String written, WrittenIn unit, long frames) {
        assertThat(WrittenTime.parse(written, unit).span(RATE, TEMPO)).isEqualTo(frames);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "soon", "bar", "1:2:3:4", "12 parsecs", "1..2", "|3"})
    void whatIsNoPlaceIsRefused(String written) {
        assertThatThrownBy(() -> WrittenTime.parse(written, WrittenIn.SAMPLES))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("no place");
    }
}
