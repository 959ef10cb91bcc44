package apodex.intake;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SoundBytes;
import apodex.intake.ClipListForm.Column;
import apodex.intake.IntakeFile.Kind;
import apodex.intake.WrittenTime.WrittenIn;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.time.TimecodeRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tables as other programs write them, told how to be read, become clips where they say. */
class ListsFromElsewhereTest {
    private static final int HERTZ = 48_000;

    @TempDir
    private Path folder;

    private RecordingStore store;
    private Path kept;
    private Map<String, ClipListForm> forms = Map.of();

    @BeforeEach
    void begin() throws IOException {
        store = new RecordingStore(folder.resolve("store"));
        kept = Files.createDirectories(folder.resolve("kept"));
    }

    private Intake examine(String listName, String list, String... recordings) throws IOException {
        Drop drop = new Drop(Files.createTempDirectory(folder, "work")).knowing(forms);
        drop.add(listName, Files.write(Files.createTempFile(folder, "a", ""), list.getBytes(UTF_8)));
        int seed = 1;
        for (String name : recordings) {
            int[] samples = new int[2 * HERTZ];
            samples[100] = 1_000_000 + seed++;
            drop.add(name, Files.write(Files.createTempFile(folder, "a", ""), SoundBytes.mono24(samples)));
        }
        Intake intake = new DropExaminer(store, drop).examine("Low Tide Waltz", kept);
        assertThat(SessionDocument.read(SessionDocument.write(intake), Intake.class))
                .isEqualTo(intake);
        return intake;
    }

    private Session make(Intake intake) throws IOException {
        return new SessionFromIntake(store, intake, Files.createTempDirectory(folder, "making"))
                .make(kept, LocalDate.of(2026, 5, 17));
    }

    private static List<Clip> clips(Session session, String row) {
        return session.rows().stream()
                .filter(each -> each.name().equals(row))
                .findFirst()
                .map(Row::clips)
                .orElseThrow();
    }

    private static List<Question.Kind> kinds(Intake intake) {
        return Questions.of(intake).stream().map(Question::kind).toList();
    }

    private static ClipListForm with(ClipListForm form, int column, ClipColumn is, WrittenIn unit) {
        List<Column> columns = new ArrayList<>(form.columns());
        columns.set(column, new Column(columns.get(column).heading(), is, unit));
        return new ClipListForm(columns, form.timecode());
    }

    private static final String FOREIGN =
            """
            Edit list of the second reel
            Printed on a Tuesday

            Piste;Nom;Début;Durée;Remarques
            Tuba;tuba.wav;1,5;0,25;"breath before
            the entry, keep it"
            Harp;harp.wav;00:00:02;0,5;
            Harp;lost.wav;3;0,5;
            """;

    @Test
    void aTableIsAskedAboutPreviewedReadAndRememberedForItsHeadings() throws IOException {
        Intake came = examine("edits.csv", FOREIGN, "tuba.wav", "harp.wav");
        assertThat(kinds(came)).contains(Question.Kind.TABLE);
        assertThat(make(came).audioRows()).as("unread, it lays out nothing").hasSize(2);
        TableReading reading = new TableReading(came, "f3", kept, null);
        assertThat(reading.headings()).containsExactly("Piste", "Nom", "Début", "Durée", "Remarques");
        ClipListForm guess = reading.form();
        assertThat(guess.columns())
                .extracting(Column::is)
                .containsExactly(ClipColumn.ROW, ClipColumn.FILE, ClipColumn.POSITION, ClipColumn.LENGTH, null);
        assertThat(guess.columns().get(2).unit()).as("there are fractions").isEqualTo(WrittenIn.SECONDS);
        assertThat(reading.preview(with(guess, 1, null, null)).isList()).isFalse();
        ClipListForm told = with(
                with(
                        with(with(guess, 1, ClipColumn.FILE, null), 2, ClipColumn.POSITION, WrittenIn.SECONDS),
                        3,
                        ClipColumn.LENGTH,
                        WrittenIn.SECONDS),
                4,
                ClipColumn.NOTE,
                null);
        TableReading.Preview preview = reading.preview(told);
        assertThat(preview.isList()).isTrue();
        assertThat(preview.clips()).isEqualTo(3);
        assertThat(preview.rows()).isEqualTo(2);
        assertThat(preview.first().get(0).seconds()).isCloseTo(1.5, within(1e-9));
        assertThat(preview.first().get(2).isHere()).isFalse();

        Intake read = reading.correction(told).applyTo(came);
        assertThat(kinds(read)).doesNotContain(Question.Kind.TABLE);
        assertThat(read.missing()).containsExactly("lost.wav");
        assertThat(read.rowCount()).isEqualTo(2);
        Session session = make(read);
        assertThat(clips(session, "Tuba"))
                .extracting(Clip::position, Clip::frames)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(72_000L, 12_000L));
        assertThat(clips(session, "Harp")).extracting(Clip::position).containsExactly(96_000L, 144_000L);
        assertThat(session.rows().get(0).about().note()).contains("breath before", "keep it");

        forms = Map.of(ClipListForm.key(reading.headings()), told);
        kept = Files.createDirectories(folder.resolve("again"));
        Intake again = examine("other.csv", FOREIGN, "tuba.wav", "harp.wav");
        assertThat(kinds(again)).doesNotContain(Question.Kind.TABLE);
        assertThat(clips(make(again), "Tuba").get(0).position()).isEqualTo(72_000);
        Intake unread = ((Correction) new Correction.ReadAs("f3", null, Lists.NONE, List.of(), List.of(), List.of()))
                .applyTo(again);
        assertThat(make(unread).audioRows())
                .as("it can be no list after all")
                .extracting(Row::name)
                .containsExactlyInAnyOrder("Tuba", "Harp");
        assertThat(unread.file("f3").kind()).isEqualTo(Kind.PAPER);
    }

    @Test
    void timecodesCountFramesOfPictureAndBeginAtAnHour() throws IOException {
        String list =
                """
                Track\tFile\tRecord In\tRecord Out
                Tuba\ttuba.wav\t01:00:01:00\t01:00:01:12
                Harp\tharp.wav\t01:00:02:00\t01:00:03:00
                """;
        Intake came = examine("reel.txt", list, "tuba.wav", "harp.wav");
        TableReading reading = new TableReading(came, "f3", kept, null);
        assertThat(kinds(came)).as("nothing says the frame rate").contains(Question.Kind.TABLE);
        ClipListForm told = new ClipListForm(reading.form().columns(), TimecodeRate.FPS_25);
        Session session = make(reading.correction(told).applyTo(came));
        assertThat(session.startReference()).isEqualTo(3_600L * HERTZ);
        assertThat(clips(session, "Tuba"))
                .extracting(Clip::position, Clip::frames)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(48_000L, 23_040L));
    }

    @Test
    void clipsThatLieOverEachOtherAreAskedAboutAndFadesIntoEachOtherAreNot() throws IOException {
        String head = "row,file,position,length,fade in,fade out,muted\n";
        Intake crossed = examine(
                "clips.csv",
                head + "Tuba,tuba.wav,0,48000,,480,\nTuba,harp.wav,47520,48000,480,,\n",
                "tuba.wav",
                "harp.wav");
        assertThat(kinds(crossed)).doesNotContain(Question.Kind.OVERLAPS);
        kept = Files.createDirectories(folder.resolve("over"));
        Intake over = examine(
                "clips.csv",
                head + "Tuba,tuba.wav,0,96000,,,\nTuba,harp.wav,24000,24000,,,\nTuba,harp.wav,90000,6000,,,yes\n",
                "tuba.wav",
                "harp.wav");
        Question asked = Questions.of(over).stream()
                .filter(question -> question.kind() == Question.Kind.OVERLAPS)
                .findFirst()
                .orElseThrow();
        assertThat(clips(make(asked.answers().get(0).correction().applyTo(over)), "Tuba"))
                .hasSize(2);
        Intake onTop = asked.answers().get(1).correction().applyTo(over);
        assertThat(clips(make(onTop), "Tuba"))
                .extracting(Clip::position, Clip::offset, Clip::frames)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple(0L, 0L, 24_000L),
                        org.assertj.core.groups.Tuple.tuple(48_000L, 48_000L, 48_000L),
                        org.assertj.core.groups.Tuple.tuple(24_000L, 0L, 24_000L));
        assertThat(((AudioRow) make(onTop).rows().get(0)).takes().get(0).clips())
                .as("what is muted stays there, unheard")
                .hasSize(4);
        assertThat(kinds(onTop)).doesNotContain(Question.Kind.OVERLAPS);
    }

    @Test
    void barsWithoutATempoAskForIt() throws IOException {
        Intake came = examine("clips.csv", "row,file,position\nTuba,tuba.wav,bar 3\n", "tuba.wav");
        assertThat(kinds(came)).contains(Question.Kind.TEMPO);
        Intake told = new Correction.Tempo(97).applyTo(came);
        assertThat(kinds(told)).doesNotContain(Question.Kind.TEMPO);
        Session session = make(told);
        assertThat(session.song().tempo()).isEqualTo(97);
        assertThat(clips(session, "Tuba").get(0).position())
                .as("eight quarters at 97 a minute")
                .isEqualTo(Math.round(8 * 60.0 / 97 * HERTZ));
    }

    @Test
    void aListOfTracksSaysWhatFilesAre() throws IOException {
        Intake came = examine(
                "tracks.csv",
                "File,Track,Comment\n01.wav,Tuba,played sitting\n02,Lead vocal,\nnowhere.wav,Harp,\n",
                "01.wav",
                "02.wav");
        assertThat(came.files()).extracting(IntakeFile::kind).contains(Kind.TRACK_LIST);
        Session session = make(came);
        assertThat(session.audioRows()).extracting(Row::name).containsExactly("Tuba", "Lead vocal");
        assertThat(session.rows().get(0).about().note()).isEqualTo("played sitting");
    }

    @Test
    void proseIsNoTableAndAFormFitsItsTable() throws IOException {
        Intake came = examine(
                "letter.txt",
                "Dear mixer, hello, and welcome\nThese are, as said, the files\nOf them, two, are late\nAnd one, sadly, is lost\n",
                "tuba.wav");
        assertThat(came.files()).extracting(IntakeFile::kind).containsExactly(Kind.RECORDING, Kind.PAPER);
        kept = Files.createDirectories(folder.resolve("two"));
        Intake list = examine("edits.csv", FOREIGN, "tuba.wav");
        TableReading reading = new TableReading(list, "f2", kept, null);
        assertThatThrownBy(() -> reading.preview(new ClipListForm(List.of(), null)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("5 columns");
        assertThatThrownBy(() -> new TableReading(list, "f1", kept, null)).hasMessageContaining("no table");
    }

    @Test
    void ofTwoRecordingsWithOneNameTheListsPathDecides() throws IOException {
        Drop drop = new Drop(Files.createTempDirectory(folder, "work"));
        byte[] list = "row,file,position\nTuba,D:\\Song\\two\\take.wav,0\nHarp,Song/one/take.wav,0\n".getBytes(UTF_8);
        drop.add("clips.csv", Files.write(Files.createTempFile(folder, "a", ""), list));
        for (String name : List.of("one", "two")) {
            Path file = Files.write(
                    Files.createTempFile(folder, "a", ""), SoundBytes.mono24(name.equals("one") ? 4_000 : 5_000, 9));
            drop.add("Song/" + name, "take.wav", file);
        }
        Intake intake = new DropExaminer(store, drop).examine("Low Tide Waltz", kept);
        Session session = make(intake);
        assertThat(session.recordings()).hasSize(2);
        String two = intake.sounds().stream()
                .filter(file -> file.folder().endsWith("two"))
                .findFirst()
                .orElseThrow()
                .recording()
                .sha256();
        assertThat(clips(session, "Tuba").get(0).recording()).isEqualTo(two);
        assertThat(clips(session, "Harp").get(0).recording()).isNotEqualTo(two);
    }
}
