package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.instrument.Note;
import apodex.naming.NameStyle;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PartRow;
import apodex.session.Recording;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What files are called and where they lie: a name says what it is, once, and nothing it is not. */
class FileNamesTest {
    private static final Strip AMPLIFIED =
            Strip.PLAIN.withInserts(List.of(Insert.of("amplifier", Map.of()).keep()));

    @TempDir
    private Path folder;

    private Settings settings = Settings.OPEN;

    private List<String> paths(Choice... files) throws IOException {
        TestRecordings recordings = new TestRecordings(Files.createTempDirectory(folder, "recordings"));
        Recording sound = recordings.add("sound", 2, 24, 1000, -900, 800, 700);
        List<Clip> clips = List.of(Clip.whole(sound, 0, 2, 0));
        Row room = new AudioRow("room", "Room Tone", clips);
        List<Row> rows = List.of(
                new AudioRow("bass", "Bass DI", clips, AMPLIFIED),
                new AudioRow("amp", "Guitar Amp", clips, AMPLIFIED),
                new AudioRow("kick", "Kick", clips, Strip.feeding("group")),
                new BusRow("group", "Drums", Strip.PLAIN.withInserts(List.of(Insert.of("lowCut", Map.of())))),
                new InstrumentRow(
                        "kit",
                        "Little Kit",
                        "drumKit",
                        List.of(new Note(0, 1, 36, 100), new Note(1, 1, 38, 90)),
                        Strip.PLAIN),
                new PartRow("low", "Kick", "kit", "kick", AMPLIFIED),
                new PartRow("high", "Little Kit Snare", "kit", "snare", Strip.PLAIN),
                room.withAbout(room.about().withRole(Role.ROOM_TONE)),
                new AudioRow("ref", "Rough", clips).withAbout(room.about().withRole(Role.REFERENCE)),
                MixRow.DEFAULT);
        Session session = new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(sound), rows);
        Handoff handoff = new Handoff(
                "x",
                Brief.BY_HAND,
                settings.withExtras(false, false, false, false).over(Settings.OPEN),
                Arrays.asList(files),
                List.of(),
                List.of(),
                Map.of(),
                List.of(),
                null);
        return Planner.plan(session, handoff, recordings).prints().stream()
                .map(Print::path)
                .toList();
    }

    private static Choice at(String row, Station station) {
        return new Choice(row, station);
    }

    @Test
    void aNameSaysNothingTwiceAndNothingItIsNot() throws IOException {
        assertThat(paths(
                        at("bass", Station.RAW),
                        at("bass", Station.SHAPED),
                        at("amp", Station.RAW),
                        at("amp", Station.SHAPED),
                        at("kick", Station.RAW),
                        at("kick", Station.BUS)))
                .containsExactly(
                        "Tracks/01_Bass DI.wav",
                        "Tracks/01_Bass_Amp.wav",
                        "Tracks/02_Guitar_DI.wav",
                        "Tracks/02_Guitar Amp.wav",
                        "Tracks/03_Kick_Dry.wav",
                        "Wet/03_Kick_via Bus.wav");
    }

    @Test
    void partsOfAnInstrumentLieTogetherUnderItsName() throws IOException {
        assertThat(paths(
                        at("kit", Station.RAW),
                        at("low", Station.RAW),
                        at("low", Station.SHAPED),
                        at("high", Station.FADER)))
                .containsExactly(
                        "Little Kit/05_Little Kit.wav",
                        "Little Kit/06_Little Kit Kick_DI.wav",
                        "Little Kit/06_Little Kit Kick_Amp.wav",
                        "Little Kit/07_Little Kit Snare_Level.wav");
    }

    @Test
    void everythingHasItsPlaceByRole() throws IOException {
        assertThat(paths(at("room", Station.RAW), at("ref", Station.RAW), at("mix", Station.FADER)))
                .containsExactly(
                        "Room tone/08_Room Tone.wav", "Reference/09_Rough.wav", "Reference/00_Reference Mix.wav");
    }

    @Test
    void theBriefChoosesNumbersWordsAndMarks() throws IOException {
        settings = Settings.OPEN
                .withSides(Sides.TWO_MONO)
                .withNaming(new NameStyle(
                        null,
                        null,
                        null,
                        null,
                        null,
                        NameStyle.Numbers.FOLDER,
                        Map.of(Station.RAW, "clean", Station.SHAPED, ""),
                        " (links)",
                        " (rechts)"));
        assertThat(paths(
                        at("amp", Station.RAW),
                        at("amp", Station.SHAPED),
                        at("kick", Station.RAW),
                        at("group", Station.FADER)))
                .as("numbers have no holes, twins share one")
                .containsExactly(
                        "Tracks/01_Guitar Amp_clean (links).wav",
                        "Tracks/01_Guitar Amp_clean (rechts).wav",
                        "Tracks/01_Guitar Amp (links).wav",
                        "Tracks/01_Guitar Amp (rechts).wav",
                        "Tracks/02_Kick (links).wav",
                        "Tracks/02_Kick (rechts).wav",
                        "Groups/01_Drums (links).wav",
                        "Groups/01_Drums (rechts).wav");
    }
}
