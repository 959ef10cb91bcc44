package apodex.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.SampleFormat;
import apodex.time.SampleRate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

final class SessionEditTest {
    private static final Recording RECORDING =
            new Recording("ab", "a.wav", new SampleRate(48_000), 2, SampleFormat.INT24, 100, 7L, null);
    private static final Session SESSION = new Session(
            Song.titled("Low Tide Waltz"),
            new SampleRate(48_000),
            7,
            "2026-05-17",
            List.of(RECORDING),
            List.of(new AudioRow("r1", "Audio 1", List.of(Clip.whole(RECORDING, 0, 2, 0))), MixRow.DEFAULT));

    @Test
    void renamingChangesOneNameAndNothingElse() {
        Session after = new RenameRow("r1", "  Tuba ").applyTo(SESSION);
        assertThat(after.row("r1").orElseThrow().name()).isEqualTo("Tuba");
        assertThat(after.row("r1").orElseThrow().about().named()).isEqualTo(NamedBy.HAND);
        assertThat(after.withRow("r1", row -> row.withName("Audio 1").withAbout(About.NOTHING)))
                .isEqualTo(SESSION);
        assertThat(new RenameRow("r1", "Tuba").describe(SESSION)).isEqualTo("Rename “Audio 1”");
    }

    @Test
    void songFactsAreReadAsPeopleWriteThem() {
        Song song = new SetSong("Low Tide", "Salt Harbour Players", 96.0, "3/4", "f# minor")
                .applyTo(SESSION)
                .song();
        assertThat(song.key().written()).isEqualTo("F♯ minor");
        assertThat(song.meter().written()).isEqualTo("3/4");
        assertThat(song.tempoMap()).isPresent();
        Song unknown =
                new SetSong("Low Tide", "", null, " ", null).applyTo(SESSION).song();
        assertThat(unknown).isEqualTo(Song.titled("Low Tide"));
        assertThat(unknown.tempoMap()).isEmpty();
    }

    static Stream<Arguments> refusals() {
        return Stream.of(
                Arguments.of(new RenameRow("r9", "x"), "row", "no row “r9”"),
                Arguments.of(new RenameRow("r1", ""), "name", "empty"),
                Arguments.of(new RenameRow("r1", null), "name", "empty"),
                Arguments.of(new RenameRow("r1", "a/b"), "name", "slash"),
                Arguments.of(new RenameRow("r1", "a\\b"), "name", "slash"),
                Arguments.of(new RenameRow("r1", "Solo 🎸"), "name", "picture"),
                Arguments.of(new RenameRow("r1", "☕"), "name", "picture"),
                Arguments.of(new RenameRow("r1", "evil\u202Egnp"), "name", "direction"),
                Arguments.of(new RenameRow("r1", "bell\u0007"), "name", "control"),
                Arguments.of(new RenameRow("r1", "zero\u200Bwidth"), "name", "control"),
                Arguments.of(new RenameRow("r1", "n".repeat(300)), "name", "300 characters"),
                Arguments.of(new SetSong(" ", "", null, null, null), "title", "empty"),
                Arguments.of(new SetSong("x", "a/b", null, null, null), "artist", "slash"),
                Arguments.of(new SetSong("x", "", 1_000.0, null, null), "tempo", "10 to 999"),
                Arguments.of(new SetSong("x", "", Double.NaN, null, null), "tempo", "10 to 999"),
                Arguments.of(new SetSong("x", "", 96.0, "3/7", null), "meter", "3/7"),
                Arguments.of(new SetSong("x", "", 96.0, null, "H major"), "key", "H major"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("refusals")
    void refusesWithTheFieldAndAReason(SessionEdit edit, String field, String words) {
        assertThatExceptionOfType(EditRefused.class)
                .isThrownBy(() -> edit.applyTo(SESSION))
                .satisfies(e -> assertThat(e.field()).isEqualTo(field))
                .withMessageContaining(words);
    }

    @ParameterizedTest
    @CsvSource({"G major,G major", "bb,B♭ major", "C# dorian,C♯ dorian", "e flat minor,E♭ minor"})
    void keys(String written, String read) {
        assertThat(Key.parse(written).written()).isEqualTo(read);
    }

    @Test
    void namesKeepLettersOfEveryScript() {
        for (String name : List.of("Größe", "コーラス", "голос", "صوت", "B♭ Trumpet", "O'Brien & Co. (2)")) {
            assertThat(NameRule.check("name", name)).isEqualTo(name);
        }
        assertThat(NameRule.check("name", "e\u0301")).as("composed").isEqualTo("é");
    }

    @Test
    void documentsComeBackEqualAndRefuseWhatTheyDoNotKnow() {
        String json = SessionDocument.write(SESSION);
        assertThat(SessionDocument.read(json, Session.class)).isEqualTo(SESSION);
        assertThat(json).contains("\"type\":\"audio\"", "\"rate\":48000").doesNotContain("\"range\"", "untouched");
        SessionEdit edit = new SetSong("x", "y", 120.0, "4/4", "C major");
        assertThat(SessionDocument.read(SessionDocument.write(edit), SessionEdit.class))
                .isEqualTo(edit);
        assertThatThrownBy(() -> SessionDocument.read(json.replace("\"rows\"", "\"lanes\""), Session.class))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
