package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.time.SampleRate;
import java.util.List;
import org.junit.jupiter.api.Test;

final class TrimsTest {
    private static final Session SESSION = new Session(
            Song.titled("x"),
            new SampleRate(48_000),
            0,
            "2026-01-01",
            List.of(),
            List.of(
                    new AudioRow("direct", "Direct", List.of(), Strip.feeding(MixRow.ID)),
                    new AudioRow("nested", "Nested", List.of(), Strip.feeding("inner")),
                    new AudioRow("twice", "Twice", List.of(), Strip.feeding("inner", "other")),
                    new BusRow("inner", "Inner", Strip.feeding("outer")),
                    new BusRow("outer", "Outer", Strip.feeding(MixRow.ID)),
                    new BusRow("other", "Other", Strip.feeding(MixRow.ID)),
                    MixRow.DEFAULT));

    @Test
    void allFilesComeDownByTheSameWhateverBusesTheyGoThrough() {
        Handoff before = Handoff.named("x")
                .withRow("nested", row -> row.withTrim(-1.5))
                .withRow("outer", row -> row.withTrim(2.0));
        Handoff after = before.turned(SESSION, -7.3);
        for (Row row : SESSION.rows()) {
            assertThat(Trims.of(SESSION, after, row))
                    .as(row.name())
                    .isCloseTo(Trims.of(SESSION, before, row) - 7.3, within(1e-9));
        }
        Handoff back = after.turned(SESSION, 7.3);
        assertThat(back.row("direct").trimDb()).as("nothing is left of it").isNull();
        assertThat(back.row("nested").trimDb()).isEqualTo(-1.5);
    }
}
