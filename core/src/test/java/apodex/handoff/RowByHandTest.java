package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.handoff.RowByHand.Kept;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.time.SampleRate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

final class RowByHandTest {
    private static final Insert ECHO = Insert.of("echo", Map.of());
    private static final Clip CLIP = new Clip("rec", 0, 1, 0, 0, 100, 0, null, null, List.of(), false, false);
    private static final Session SESSION = new Session(
            Song.titled("x"),
            new SampleRate(48_000),
            0,
            "2026-01-01",
            List.of(),
            List.of(
                    new AudioRow(
                            "voice",
                            "Voice",
                            List.of(
                                    new Take("first", "First", List.of(CLIP)),
                                    new Take("best", "Best", List.of(CLIP)),
                                    new Take("empty", "Empty", List.of())),
                            "best",
                            Strip.PLAIN.withInserts(List.of(ECHO.keep(), Insert.of("gate", Map.of()), ECHO))),
                    MixRow.DEFAULT));

    private static RowByHand voice(Handoff handoff) {
        return handoff.row("voice");
    }

    @Test
    void insertsOfOneEffectAreToldApartAndWhatTheSessionSaysIsNotByHand() {
        Handoff second = Handoff.named("x").keeping(SESSION, "voice", 2, true);
        assertThat(voice(second).kept()).containsExactly(new Kept("echo", 1, true));
        Handoff both = second.keeping(SESSION, "voice", 0, false);
        assertThat(voice(both).kept()).containsExactly(new Kept("echo", 1, true), new Kept("echo", 0, false));
        Handoff back = both.keeping(SESSION, "voice", 2, false).keeping(SESSION, "voice", 0, true);
        assertThat(back.byRow()).isEqualTo(Handoff.named("x").byRow());
        assertThatThrownBy(() -> second.keeping(SESSION, "voice", 3, true)).hasMessage("“Voice” has no insert 4.");
    }

    @Test
    void takesComeInTheRowsOrderAndThoseOfTheBriefAreNotByHand() {
        Handoff two = Handoff.named("x").including(SESSION, "voice", "first", true);
        assertThat(voice(two).takes()).containsExactly("first", "best");
        Handoff none = two.including(SESSION, "voice", "best", false).including(SESSION, "voice", "first", false);
        assertThat(voice(none).takes()).isEmpty();
        assertThat(none.including(SESSION, "voice", "best", true).byRow())
                .isEqualTo(Handoff.named("x").byRow());
        assertThatThrownBy(() -> two.including(SESSION, "mix", "first", true))
                .hasMessage("There is no take “first” of row “mix”.");
    }

    @Test
    void aBriefThatAsksForAllTakesLeavesOutThoseThatHoldNothing() {
        Handoff all = Handoff.named("x").with(Handoff.named("x").settings().withExtras(true, null, null, null));
        assertThat(AsPlanned.takes((AudioRow) SESSION.rows().get(0), all))
                .extracting(Take::id)
                .containsExactly("first", "best");
        Handoff fewer = all.including(SESSION, "voice", "first", false);
        assertThat(voice(fewer).takes()).containsExactly("best");
        assertThat(fewer.including(SESSION, "voice", "first", true).byRow()).isEqualTo(all.byRow());
    }
}
