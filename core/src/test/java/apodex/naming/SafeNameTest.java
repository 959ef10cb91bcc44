package apodex.naming;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.SampleFormat;
import apodex.naming.NameStyle.Letters;
import apodex.naming.NameStyle.Part;
import apodex.naming.NameStyle.Separator;
import apodex.session.Key;
import apodex.session.MixRow;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

final class SafeNameTest {
    private static final Session SESSION = new Session(
            new Song("Low Tide Waltz", "", 96.0, null, Key.parse("F# minor")),
            new SampleRate(48_000),
            0,
            "2026-05-17",
            List.of(),
            List.of(MixRow.DEFAULT));

    @ParameterizedTest(name = "{0} -> {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "Tuba|Tuba",
                "Bass: DI?|Bass- DI-",
                "a<b>c|a-b-c",
                "one/two\\three|one-two-three",
                "Kick (in)|Kick (in)",
                "ends with dot.|ends with dot",
                "...hidden|hidden",
                "CON|CON-",
                "nul.txt|nul-.txt",
                "com7|com7-",
                "COM10|COM10",
                "console|console",
                "***|-",
                "?.?|-.-",
                "Ünïcode Größe|Ünïcode Größe",
                "tab\there|tab-here",
                "LPT¹|LPT¹-",
                ".|Unnamed"
            })
    void replacesWhatSomeSystemForbids(String name, String expected) {
        assertThat(SafeName.of(name)).isEqualTo(expected);
    }

    @RepeatedTest(40)
    void anythingBecomesAFileNameEverySystemTakes(RepetitionInfo repetition) {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        StringBuilder text = new StringBuilder();
        int length = random.nextInt(300);
        while (text.length() < length) {
            int c = random.nextInt(3) == 0 ? random.nextInt(0x110000) : random.nextInt(128);
            if (c < 0xD800 || c > 0xDFFF) {
                text.appendCodePoint(c);
            }
        }
        String name = SafeName.of(text.toString());
        assertThat(name)
                .isNotEmpty()
                .doesNotContainPattern("[\\x00-\\x1f<>:\"/\\\\|?*\\u202e]")
                .doesNotStartWith(".");
        assertThat(name.charAt(name.length() - 1)).isNotIn('.', ' ');
        assertThat(name.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(SafeName.LONGEST_BYTES + 1);
    }

    @Test
    void cutsBetweenCharactersNeverInsideOne() {
        String name = SafeName.of("é".repeat(100));
        assertThat(name).isEqualTo("é".repeat(60));
    }

    @Test
    void numbersNamesThatSomeSystemWouldTakeForTheSame() {
        FileNames names = names(9);
        assertThat(names.next(3, "", "Tuba", "", ".wav")).isEqualTo("03_Tuba.wav");
        assertThat(names.next(3, "", "TUBA", "", ".wav")).as("letter case").isEqualTo("03_TUBA (2).wav");
        assertThat(names.next(3, "", "tuba", "", ".wav")).isEqualTo("03_tuba (3).wav");
        String composed = "Chœur é";
        assertThat(names.next(4, "", composed, "", ".wav")).isEqualTo("04_Chœur é.wav");
        assertThat(names.next(4, "", Normalizer.normalize(composed, Normalizer.Form.NFD), "", ".wav"))
                .as("Unicode form")
                .isEqualTo("04_Chœur é (2).wav");
        assertThat(names.next(5, "", "Straße", "", ".wav")).isEqualTo("05_Straße.wav");
        assertThat(names.next(5, "", "STRASSE", "", ".wav")).as("ß and SS").isEqualTo("05_STRASSE (2).wav");
    }

    private static FileNames names(int highest) {
        return new FileNames(SESSION, NameStyle.USUAL, highest);
    }

    @Test
    void namesAreMadeOfThePartsInTheirOrder() {
        NameStyle all = new NameStyle(
                List.of(
                        Part.SONG,
                        Part.DATE,
                        Part.KEY,
                        Part.TEMPO,
                        Part.GROUP,
                        Part.ROW,
                        Part.WHAT,
                        Part.VERSION,
                        Part.NUMBER),
                Separator.HYPHEN,
                null,
                null,
                "v3");
        assertThat(new FileNames(SESSION, all, 9).next(4, "Band", "Tuba", "Dry", ".wav"))
                .isEqualTo("Low Tide Waltz-2026-05-17-F#min-96bpm-Band-Tuba-Dry-v3-04.wav");
        NameStyle lower = new NameStyle(List.of(Part.ROW, Part.WHAT), Separator.BLANK, Letters.LOWER, null, null);
        assertThat(new FileNames(SESSION, lower, 9).next(4, "", "TUBA", "", ".wav"))
                .as("what says nothing leaves no gap")
                .isEqualTo("tuba.wav");
        NameStyle tight =
                new NameStyle(List.of(Part.NUMBER, Part.ROW, Part.WHAT), Separator.UNDERSCORE, Letters.UPPER, 16, null);
        assertThat(new FileNames(SESSION, tight, 9).next(4, "", "Contrabassoon", "Wet", ".wav"))
                .as("the row gives way")
                .isEqualTo("04_CONTRABAS_WET.wav");
        assertThat(new FileNames(SESSION, tight, 9)
                        .next(4, "", "Contrabassoon", " T2", "Wet", NameStyle.Side.LEFT, ".wav"))
                .as("take and side are never cut, nor counted out")
                .isEqualTo("04_CONT T2_WET.L.wav");
        assertThatThrownBy(() -> new NameStyle(null, null, null, null, null, null, null, "-x", "-X"))
                .hasMessageContaining("different marks");
        assertThatThrownBy(() -> new NameStyle(null, null, null, null, null, null, null, "/l", null))
                .hasMessageContaining("that a file name can hold");
        assertThatThrownBy(() -> new NameStyle(List.of(Part.SONG), null, null, null, null))
                .hasMessageContaining("number or the row");
        assertThatThrownBy(() -> new NameStyle(List.of(Part.ROW, Part.ROW), null, null, null, null))
                .hasMessageContaining("twice");
        assertThatThrownBy(() -> new NameStyle(null, null, null, 15, null)).hasMessageContaining("16 to 120");
    }

    @Test
    void numbersHaveAsManyDigitsAsTheHighestNeeds() {
        assertThat(names(120).next(7, "", "x", "", ".wav")).isEqualTo("007_x.wav");
    }

    @Test
    void parcelsAreNamedByTheirFacts() {
        Song song = new Song("Low: Tide", "", 96.5, null, Key.parse("F♯ minor"));
        assertThat(ParcelName.of(song, "Mix/master", "v2", new SampleRate(44_100), SampleFormat.FLOAT32))
                .isEqualTo("Low- Tide_Mix-master_v2_44.1k_32bitfloat_96.5bpm_F#min");
        Song read = new Song("A", "", 60e6 / 576_923, null, null);
        assertThat(ParcelName.of(read, "x", "v1", new SampleRate(48_000), SampleFormat.INT16))
                .as("a MIDI file's whole microseconds are not what its maker meant")
                .isEqualTo("A_x_v1_48k_16bit_104bpm");
        assertThat(ParcelName.of(Song.titled("A"), "Groups", "v1", new SampleRate(48_000), SampleFormat.INT16))
                .isEqualTo("A_Groups_v1_48k_16bit");
    }
}
