package apodex.naming;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SampleFormat;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.NamedBy;
import apodex.session.Recording;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

final class NameProposalsTest {
    private final List<Recording> recordings = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    private Row row(String name, String file, String title) {
        Recording recording = new Recording(
                "s" + recordings.size(), file, new SampleRate(48_000), 1, SampleFormat.INT24, 100, null, null, title);
        recordings.add(recording);
        Row row = new AudioRow("r" + rows.size(), name, List.of(Clip.whole(recording, 0, 1, 0)));
        rows.add(row);
        return row;
    }

    private Session session() {
        List<Row> all = new ArrayList<>(rows);
        all.add(new BusRow("bus", "Drum bus", Strip.PLAIN));
        all.add(MixRow.DEFAULT);
        return new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-05-17", recordings, all);
    }

    private List<String> proposed() {
        return NameProposals.of(session()).stream()
                .map(each ->
                        each.now() + " -> " + each.proposed() + (each.note().isEmpty() ? "" : " (" + each.note() + ")"))
                .toList();
    }

    @Test
    void aNameThatSaysNothingIsMadeFromWhatItsRecordingSays() {
        row("Audio 07", "Audio 07.wav", "tba close take 2");
        row("Track 3", "LD VOX_01.wav", null);
        row("Audio 9", "Audio 9.wav", "Track 9");
        row("New track", "take 3.wav", "");
        assertThat(proposed()).containsExactly("Audio 07 -> Tuba Close (take 2)", "Track 3 -> Lead Voice (01)");
    }

    @Test
    void namesThatWouldMeetAreNumberedBeforeTheSide() {
        row("gtr_left", "a.wav", null);
        row("GTR L", "b.wav", null);
        row("gtr lft copy", "c.wav", null);
        row("Kick", "d.wav", null);
        rows.set(3, rows.get(3).withAbout(About.NOTHING.withNameFrom(NamedBy.HAND)));
        row("kik", "e.wav", null);
        assertThat(proposed())
                .containsExactly(
                        "gtr_left -> Guitar 1 L",
                        "GTR L -> Guitar 2 L",
                        "gtr lft copy -> Guitar 3 L (copy)",
                        "kik -> Kick 1");
    }

    @Test
    void whatAPersonTypedAndWhatIsTidyStays() {
        row("kik_final", "a.wav", null);
        rows.set(0, rows.get(0).withAbout(About.NOTHING.withNameFrom(NamedBy.HAND)));
        row("Harbour bell", "b.wav", null);
        row("Tuba", "c.wav", null);
        assertThat(proposed()).isEmpty();
    }

    @Test
    void aRoleThatWasGivenDecidesAndAcceptingKeepsNameNoteAndRole() {
        row("bari ribbon", "a.wav", null);
        rows.set(0, rows.get(0).withAbout(About.NOTHING.withRole(Role.GUITARS).withNote("player: Ann")));
        NameProposal proposal = NameProposals.of(session()).get(0);
        Session after = session();
        for (SessionEdit edit : NameProposals.accepting(after, proposal)) {
            after = edit.applyTo(after);
        }
        assertThat(after.rows().get(0).name()).isEqualTo("Baritone Guitar");
        assertThat(after.rows().get(0).about())
                .isEqualTo(new About(Role.GUITARS, "player: Ann; ribbon", NamedBy.PROPOSAL));
        assertThat(NameProposals.of(after)).as("and is content").isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Audio 07",
                "audio_1",
                "Track3",
                "untitled",
                "New Track 12",
                "Recording-004",
                "12",
                "",
                "Bus 1",
                "input 3",
                "Take 3",
                "MIDI 2"
            })
    void namesThatSayNothing(String name) {
        assertThat(VagueName.isVague(name)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Tuba", "Track Guitar", "Audio Kick", "A", "Take Five", "Busker", "Inputs"})
    void namesThatSaySomething(String name) {
        assertThat(VagueName.isVague(name)).isFalse();
    }
}
