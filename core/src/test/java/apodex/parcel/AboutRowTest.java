package apodex.parcel;

import static apodex.session.Station.BUS;
import static apodex.session.Station.FADER;
import static apodex.session.Station.INSERTS;
import static apodex.session.Station.RAW;
import static apodex.session.Station.SHAPED;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Settings;
import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PartRow;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.Returns;
import apodex.signal.TestRecordings;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The questions a stranger would ask of each row, answered on the sheet. */
class AboutRowTest {
    @TempDir
    private Path folder;

    private Settings settings = Settings.OPEN;

    /** 01 kick, 02 snare, 03 overhead, 04 the group of 01 to 03, 05 a squash of 01, which also goes straight on, 06 hall, 07 empty, 08 idle bus, 09 silent, 10 muted, 11 kit, 12 a drum of it. */
    private String about(String row, Choice... files) throws IOException {
        TestRecordings recordings = new TestRecordings(Files.createTempDirectory(folder, "recordings"));
        Recording sound = recordings.add("sound", 1, 24, 1000, -900, 800);
        Recording zeros = recordings.add("zeros", 1, 24, 0, 0, 0);
        List<Clip> clips = List.of(Clip.whole(sound, 0, 1, 0));
        Strip inGroup = Strip.PLAIN.withOutputs(List.of("group"));
        List<Row> rows = List.of(
                new AudioRow("kick", "Kick", clips, Strip.PLAIN.withOutputs(List.of("group", "squash"))),
                new AudioRow(
                        "snare",
                        "Snare",
                        clips,
                        inGroup.withFader(-3, 0)
                                .withSends(List.of(new Send("hall", -6, null)))
                                .withInserts(List.of(
                                        Insert.of("lowCut", Map.of("hertz", 80.0))
                                                .keep(),
                                        Insert.of("gain", Map.of("gainDb", 2.0))))),
                new AudioRow("over", "Overhead", clips, inGroup),
                new BusRow("group", "Drums", Strip.PLAIN.withFader(-2, 0)),
                new BusRow("squash", "Squash", Strip.PLAIN.withOutputs(List.of("group"))),
                new ReturnRow("hall", "Hall", Strip.PLAIN),
                new AudioRow("empty", "Empty", List.of()),
                new BusRow("idle", "Idle", Strip.PLAIN),
                new AudioRow("zeros", "Zeros", List.of(Clip.whole(zeros, 0, 1, 0))),
                new AudioRow("quiet", "Quiet", clips, inGroup.withMuteAndSolo(true, false)),
                new InstrumentRow("kit", "Kit", "drumKit", List.of(new Note(0, 1, 36, 100)), Strip.PLAIN),
                new PartRow("drum", "Drum", "kit", "kick", Strip.PLAIN),
                MixRow.DEFAULT);
        Session session =
                new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(sound, zeros), rows);
        Handoff open = Handoff.named("x").with(settings);
        List<Choice> asked = Planner.plan(session, open, recordings).prints().stream()
                .map(print -> new Choice(print.row(), print.station()))
                .toList();
        List<Choice> leftOut = new ArrayList<>(asked);
        leftOut.removeAll(Arrays.asList(files));
        List<Choice> added = new ArrayList<>(Arrays.asList(files));
        added.removeAll(asked);
        Plan plan = Planner.plan(session, open.withFiles(added, leftOut), recordings);
        assertThat(plan.prints()).hasSize(files.length);
        return String.join(
                " ",
                AboutRow.of(
                        session,
                        plan,
                        plan.rows().stream()
                                .filter(each -> each.row().equals(row))
                                .findFirst()
                                .orElseThrow()));
    }

    @Test
    void aGroupSaysWhatItHoldsAndWhetherThatIsThereTwice() throws IOException {
        assertThat(about("group", new Choice("group", FADER)))
                .as("10 is muted, so it is not in there")
                .isEqualTo("Holds 01 to 03, 05.");
        assertThat(about("group", new Choice("group", RAW), new Choice("over", RAW)))
                .isEqualTo(
                        "Holds 01 to 03, 05. 03 is a file as well: not to be laid beside the group. Left out: fader at −2.0 dB.");
        assertThat(about("squash", new Choice("squash", RAW)))
                .isEqualTo("Holds once more what 01 carries: in the session it runs beside. Goes to 04.");
        assertThat(about("kit", new Choice("kit", RAW))).isEqualTo("The instrument without 12, which is a part of it.");
        assertThat(about("drum", new Choice("drum", RAW))).isEqualTo("A part of 11, by itself.");
        assertThat(about("hall", new Choice("hall", INSERTS))).startsWith("What 02 sends there.");
    }

    @Test
    void whatIsLeftOutIsSaidOfTheFileItIsNotIn() throws IOException {
        String strip = "fader at −3.0 dB; a send of −6.0 dB to Hall.";
        assertThat(about("snare", new Choice("snare", INSERTS))).isEqualTo("Left out: " + strip + " Goes to 04.");
        assertThat(about("snare", new Choice("snare", RAW), new Choice("snare", INSERTS)))
                .isEqualTo("Left out: " + strip + " At Raw also: Low cut; Gain. Goes to 04.");
        assertThat(about("snare", new Choice("snare", RAW), new Choice("snare", SHAPED), new Choice("snare", BUS)))
                .startsWith(
                        "Left out: a send of −6.0 dB to Hall. At Shaped also: Gain; fader at −3.0 dB. At Raw also: Low cut");
    }

    @Test
    void whatHasNoFileSaysWhy() throws IOException {
        Choice group = new Choice("group", FADER);
        assertThat(about("empty", group)).isEqualTo("Not printed: nothing is on it.");
        assertThat(about("zeros", group)).isEqualTo("Not printed: it is silent all through.");
        assertThat(about("idle", group)).isEqualTo("Not printed: nothing goes to it.");
        assertThat(about("quiet", group)).isEqualTo("Not printed: it is muted in the mix.");
        assertThat(about("over", group)).isEqualTo("No file of its own: it is in 04.");
        assertThat(about("over", new Choice("kick", RAW))).isEqualTo("Not printed.");
        assertThat(about("squash", new Choice("kick", RAW)))
                .as("a mixer can build it again")
                .isEqualTo("Not printed. Fed by 01. Goes to 04.");
        assertThat(about("hall", new Choice("snare", RAW))).isEqualTo("Not printed. Sent to by 02.");
        settings = Settings.OPEN.withSharing(Returns.SHARED_OUT, null);
        assertThat(about("hall", new Choice("snare", BUS)))
                .isEqualTo("No file of its own: what 02 sent there is in those files.");
    }
}
