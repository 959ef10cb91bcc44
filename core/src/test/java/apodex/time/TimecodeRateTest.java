package apodex.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Timecode by SMPTE ST 12-1: which numbers there are, and when they stand. */
class TimecodeRateTest {
    @ParameterizedTest
    @CsvSource({
        "FPS_25, 01:00:03:12, 3603.48",
        "FPS_24, 00:00:00:23, 0.958333333",
        "FPS_30, 10:00:00:15.5, 36000.516666667",
        "FPS_23_976, 01:00:00:00, 3603.6",
        "FPS_29_97, 01:00:00:00, 3603.6",
        // in ten minutes 18 numbers are dropped, so that an hour of timecode lasts 3.6 ms less than an hour
        "FPS_29_97_DROP, 01:00:00;00, 3599.9964",
        "FPS_29_97_DROP, 00:01:00;02, 60.06",
        "FPS_29_97_DROP, 00:00:59;29, 60.026633333",
        "FPS_29_97_DROP, 00:10:00;00, 599.9994",
        "FPS_59_94_DROP, 01:00:00;00, 3599.9964",
        "FPS_59_94_DROP, 00:01:00;04, 60.06"
    })
    void standsWhereItsFramesDo(TimecodeRate rate, String written, double seconds) {
        assertThat(rate.seconds(written).orElseThrow()).isCloseTo(seconds, within(1e-8));
    }

    @ParameterizedTest
    @CsvSource({
        "FPS_25, 01:00:00:25",
        "FPS_25, 01:00:60:00",
        "FPS_25, 01:60:00:00",
        "FPS_29_97_DROP, 00:01:00;00",
        "FPS_29_97_DROP, 00:11:00;01",
        "FPS_59_94_DROP, 00:01:00;03",
        "FPS_25, 1:00",
        "FPS_25, soon"
    })
    void numbersThatThereAreNotAreNone(TimecodeRate rate, String written) {
        assertThat(rate.seconds(written)).isEmpty();
    }
}
