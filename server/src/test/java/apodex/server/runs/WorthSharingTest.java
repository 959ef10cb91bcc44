package apodex.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.util.unit.DataSize;

class WorthSharingTest {
    /** At 10 MB a second, half a minute of printing may be moved while it makes up to 300 MB. */
    @Test
    void onlyWhatTakesLongForWhatItMakesIsGivenAway() {
        WorthSharing worth = new WorthSharing(20, DataSize.ofMegabytes(10));
        assertThat(worth.is(30, DataSize.ofMegabytes(300).toBytes())).isTrue();
        assertThat(worth.is(30, DataSize.ofMegabytes(300).toBytes() + 1))
                .as("sooner printed than moved")
                .isFalse();
        assertThat(worth.is(19.9, 1)).as("over before somebody has taken it up").isFalse();
        assertThat(worth.is(20, 1)).isTrue();
    }
}
