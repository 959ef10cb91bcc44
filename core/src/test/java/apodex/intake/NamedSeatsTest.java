package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.intake.Seat.Side;
import apodex.intake.Seat.Use;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Names as they come together, and where each is to sit: what an engineer would do with them by hand. */
class NamedSeatsTest {
    /** Paths of mono files; those that end in {@code *} are stereo. */
    private static List<String> seats(String... paths) {
        List<NamedSeats.Named> files = new ArrayList<>();
        for (String path : paths) {
            String plain = path.replace("*", "");
            int slash = plain.lastIndexOf('/');
            files.add(new NamedSeats.Named(
                    slash < 0 ? "" : plain.substring(0, slash),
                    plain.substring(slash + 1),
                    "",
                    path.endsWith("*") ? 2 : 1,
                    ""));
        }
        return NamedSeats.of(files, "Low Tide Waltz").stream()
                .map(read -> {
                    Seat seat = read.seat();
                    return (seat.use() == Use.REFERENCE ? "reference " : "")
                            + seat.row()
                            + (seat.side() == Side.WHOLE ? "" : seat.side() == Side.LEFT ? " <" : " >")
                            + (seat.take() > 1 ? " t" + seat.take() : "")
                            + (seat.group().isEmpty() ? "" : " in " + seat.group())
                            + (read.number() == 0 ? "" : " #" + read.number());
                })
                .toList();
    }

    private static void expect(List<String> seats, String... expected) {
        assertThat(seats).containsExactlyElementsOf(Arrays.asList(expected));
    }

    @Test
    void numbersInFrontCountTheFilesAndDoNotPartAPair() {
        expect(seats("07 OH_L.wav", "08 OH_R.wav", "9 Kick.wav"), "Overhead < #7", "Overhead > #8", "Kick #9");
    }

    @Test
    void aNumberThatIsPartOfTheNameStays() {
        expect(seats("12 string.wav", "Kick.wav", "Snare.wav"), "12-String", "Kick", "Snare");
    }

    @Test
    void takesAreCountedOnPastNine() {
        expect(
                seats(
                        "41 Vox 2_08.wav",
                        "42 Vox 2_09.wav",
                        "43 Vox 2_10.wav",
                        "44 Vox 2_12.wav",
                        "45 Tom_10.wav",
                        "46 Vox_100.wav"),
                "Voice 2 t8 #41",
                "Voice 2 t9 #42",
                "Voice 2 t10 #43",
                "Voice 2 t12 #44",
                "Tom 10 #45",
                "Voice 100 #46");
    }

    @Test
    void numbersBehindAreTakesWhereTheNameIsTheSame() {
        expect(
                seats("Tom 1_01.wav", "Tom 1_02.wav", "Tom 2_03.wav", "Vox tk4.wav", "Vox tk2.wav"),
                "Tom 1",
                "Tom 1 t2",
                "Tom 2",
                "Voice t4",
                "Voice t2");
    }

    @Test
    void sidesAndTakesGoTogether() {
        expect(
                seats("Pno L_01.wav", "Pno R_01.wav", "Pno L_02.wav", "Pno R_02.wav"),
                "Piano <",
                "Piano >",
                "Piano < t2",
                "Piano > t2");
    }

    @Test
    void aSideAloneIsARowOfItsOwn() {
        expect(seats("Gtr_L.wav", "Bass.wav"), "Guitar L", "Bass");
        expect(seats("Gtr_L.wav", "Gtr_R.wav*"), "Guitar L", "Guitar R");
    }

    @Test
    void foldersAreBusesAndTellTheSameNameApart() {
        expect(
                seats("Song/Drums/Room.wav", "Song/Drums/Kick.wav", "Song/Voices/Room.wav", "Song/Voices/Ld Vox.wav"),
                "Drums Room in Drums",
                "Kick in Drums",
                "Voices Room in Voices",
                "Lead Voice in Voices");
    }

    @Test
    void foldersThatSayNothingAreNoBuses() {
        expect(seats("Song/Audio Files/Tuba.wav", "Song/Audio Files/Harp.wav"), "Tuba", "Harp");
        expect(seats("a/24bit/Tuba.wav", "a/wav/Harp.wav"), "Tuba", "Harp");
    }

    @Test
    void theMixIsKnownByItsNameItsFolderOrTheSong() {
        expect(
                seats(
                        "Tuba.wav",
                        "rough mix (do not use).wav*",
                        "mixes/v3.wav*",
                        "Low Tide Waltz.wav*",
                        "Drum mix.wav*"),
                "Tuba",
                "reference Rough Mix (Do Not Use)",
                "reference v3",
                "reference Low Tide Waltz",
                "Drum Mix");
    }

    @Test
    void theSameNameTwiceIsTwoRows() {
        expect(seats("a/Tuba.wav", "a/tuba.flac", "b/Harp.wav"), "Tuba in A", "Tuba 2 in A", "Harp in B");
        expect(seats("Piano.wav*", "pno_L.wav", "pno_R.wav"), "Piano", "Piano 2 <", "Piano 2 >");
    }
}
