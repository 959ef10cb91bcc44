package apodex.server.pace;

import static apodex.handoff.Effort.Kind.MIXING;
import static apodex.handoff.Effort.Kind.PLACING;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import apodex.handoff.Effort;
import apodex.server.pace.PaceMapper.Took;
import java.util.List;
import org.junit.jupiter.api.Test;

class PaceTest {
    private final PaceMapper mapper = mock(PaceMapper.class);
    private final Pace pace = new Pace(mapper);

    private void took(Effort.Kind kind, Took... runs) {
        when(mapper.last(eq(kind), anyInt())).thenReturn(List.of(runs));
    }

    @Test
    void whatRunsOfTheKindTookIsWhatTheNextWillTake() {
        took(MIXING, new Took(10, 4, 20, 4), new Took(5, 2, 11, 2), new Took(1, 1, 1.9, 1));
        Pace.Expected expected = pace.of(new Effort(MIXING, 30, 12));
        assertThat(expected.printing()).as("twice the weight").isEqualTo(60);
        assertThat(expected.reading()).isEqualTo(12);
        assertThat(expected.printingShare()).isEqualTo(60 / 72.0, within(1e-9));
        assertThat(expected.least()).as("2.9 for 2, the best of them").isEqualTo(72 * 1.45 / (24 / 14.0), within(1e-9));
        assertThat(expected.most()).isEqualTo(72 * (13 / 7.0) / (24 / 14.0), within(1e-9));
    }

    @Test
    void oneRunIsNotSure() {
        took(PLACING, new Took(10, 10, 5, 5));
        Pace.Expected expected = pace.of(new Effort(PLACING, 4, 4));
        assertThat(expected.seconds()).isEqualTo(4);
        assertThat(expected.most() / expected.least()).isGreaterThan(2);
    }

    @Test
    void runsOfAnotherKindSayMoreThanNone() {
        took(PLACING, new Took(1, 1, 3, 3), new Took(1, 1, 3, 3), new Took(1, 1, 3, 3));
        assertThat(pace.of(new Effort(MIXING, 10, 10)).seconds()).isEqualTo(60);
        took(PLACING);
        Pace.Expected first = pace.of(new Effort(MIXING, 10, 10));
        assertThat(first.seconds()).isEqualTo(20);
        assertThat(first.least()).isLessThan(10);
        assertThat(first.most()).isGreaterThan(40);
    }
}
