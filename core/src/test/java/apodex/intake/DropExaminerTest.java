package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import apodex.align.MadeUpSong;
import apodex.audio.OutsideTools;
import apodex.audio.SoundBytes;
import apodex.intake.Question.Kind;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.Station;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whole drops, from the files to the questions, the answers and the session. */
class DropExaminerTest {
    private static final int HERTZ = MadeUpSong.HERTZ;

    @TempDir
    private Path folder;

    private RecordingStore store;
    private Drop drop;
    private MadeUpSong song;
    private double[] voice;

    @BeforeEach
    void begin() throws IOException {
        store = new RecordingStore(folder.resolve("store"));
        drop = new Drop(Files.createDirectories(folder.resolve("work")));
        song = new MadeUpSong(new SplittableRandom(2));
        voice = song.tracks.get(3);
    }

    private void add(String path, double[]... channels) throws IOException {
        addAt(HERTZ, path, channels);
    }

    private void addAt(int hertz, String path, double[]... channels) throws IOException {
        int frames = channels[0].length;
        double[] interleaved = new double[frames * channels.length];
        for (int i = 0; i < interleaved.length; i++) {
            interleaved[i] = 0.3 * channels[i % channels.length][i / channels.length];
        }
        addBytes(
                path,
                SoundBytes.riff()
                        .format(3, channels.length, hertz, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, interleaved))
                        .wave());
    }

    @Test
    void whatTagsAndIxmlSayIsTaken() throws Exception {
        String ixml = "<BWFXML><SPEED><TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO>%d</TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO>"
                + "<TIMESTAMP_SAMPLE_RATE>96000</TIMESTAMP_SAMPLE_RATE></SPEED></BWFXML>";
        for (int i = 0; i < 2; i++) {
            addBytes(
                    "Row " + i + ".wav",
                    SoundBytes.riff()
                            .format(1, 1, 48_000, 24)
                            .chunk(
                                    "iXML",
                                    ixml.formatted(96_000L * 3_600 + 9_600L * i).getBytes())
                            .chunk("data", new byte[300 + 3 * i])
                            .wave());
        }
        Path wave = Files.write(folder.resolve("a.wav"), SoundBytes.mono24(5, 6, 7));
        OutsideTools.run(folder, "flac", "-s", "-f", wave.toString(), "-o", "a.flac");
        OutsideTools.run(folder, "metaflac", "--set-tag=BPM=97", "a.flac");
        addBytes("Row 2.flac", Files.readAllBytes(folder.resolve("a.flac")));
        Path kept = Files.createDirectories(folder.resolve("tagged"));
        Intake intake = new DropExaminer(store, drop).examine("?", kept);
        assertThat(intake.sounds())
                .extracting(
                        file -> file.seat().place().by(),
                        file -> file.seat().place().frame())
                .containsExactly(tuple(Place.By.STAMP, 0L), tuple(Place.By.STAMP, 4_800L), tuple(Place.By.START, 0L));
        Session made = new SessionFromIntake(store, intake, Files.createDirectories(folder.resolve("w")))
                .make(kept, LocalDate.EPOCH);
        assertThat(made.startReference()).isEqualTo(48_000L * 3_600);
        assertThat(made.song().tempo()).isEqualTo(97);
    }

    private void addBytes(String path, byte[] bytes) throws IOException {
        Path file = Files.createTempFile(folder, "came", "");
        Files.write(file, bytes);
        int slash = path.lastIndexOf('/');
        drop.add(slash < 0 ? "" : path.substring(0, slash), path.substring(slash + 1), file);
    }

    private Intake examine() throws IOException {
        Intake intake = new DropExaminer(store, drop)
                .examine("Low Tide Waltz", Files.createDirectories(folder.resolve("kept")));
        assertThat(SessionDocument.read(SessionDocument.write(intake), Intake.class))
                .as("is kept whole")
                .isEqualTo(intake);
        return intake;
    }

    private Session make(Intake intake) throws IOException {
        return new SessionFromIntake(store, intake, Files.createDirectories(folder.resolve("making")))
                .make(folder.resolve("kept"), LocalDate.of(2026, 5, 17));
    }

    private static double[] times(double factor, double[] samples) {
        return Arrays.stream(samples).map(sample -> factor * sample).toArray();
    }

    private static List<Kind> kinds(Intake intake) {
        return Questions.of(intake).stream().map(Question::kind).toList();
    }

    private static Intake answer(Intake intake, Kind kind, String words) {
        return Questions.of(intake).stream()
                .filter(question -> question.kind() == kind)
                .flatMap(question -> question.answers().stream())
                .filter(each -> each.words().contains(words))
                .findFirst()
                .orElseThrow()
                .correction()
                .applyTo(intake);
    }

    private static Row row(Session session, String name) {
        return session.rows().stream()
                .filter(row -> row.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static Clip clip(Session session, String name) {
        return row(session, name).clips().get(0);
    }

    @Test
    void aFileWithoutAStampIsFoundInTheMixAndOnlyMovedWhenAgreed() throws IOException {
        int cut = 3 * HERTZ + 17;
        add("Lead vox.wav", Arrays.copyOfRange(voice, cut, voice.length));
        add("Kick.wav", song.tracks.get(0));
        add("Rough mix.wav", song.mix, song.mix);
        Intake intake = examine();
        assertThat(kinds(intake)).containsExactly(Kind.PLACE);
        assertThat(clip(make(intake), "Lead Voice").position()).isZero();

        Intake placed = answer(intake, Kind.PLACE, "Put it there");
        assertThat(kinds(placed)).isEmpty();
        Session session = make(placed);
        assertThat(clip(session, "Lead Voice").position()).isEqualTo(cut);
        assertThat(session.rows().stream().filter(row -> row.about().role() == Role.REFERENCE))
                .as("the mix stands aside and feeds nothing")
                .singleElement()
                .satisfies(row -> assertThat(row.strip().outputs()).isEmpty());

        Intake left = answer(intake, Kind.PLACE, "Leave at the start");
        assertThat(kinds(left)).isEmpty();
        assertThat(clip(make(left), "Lead Voice").position()).isZero();
    }

    @Test
    void aFileThatBeginsBeforeTheMixMovesAllOthersLater() throws IOException {
        int cut = 2 * HERTZ + 5;
        add("Lead vox.wav", voice);
        add("Rough mix.wav", Arrays.copyOfRange(song.mix, cut, song.mix.length));
        Intake placed = answer(examine(), Kind.PLACE, "Put it there");
        Session session = make(placed);
        assertThat(clip(session, "Lead Voice").position()).isZero();
        assertThat(clip(session, "Rough Mix").position()).isEqualTo(cut);
        assertThat(session.startReference()).isEqualTo(-cut);
    }

    @Test
    void manyThatAreOffByTheSameAreOneQuestion() throws IOException {
        for (int i = 0; i < 4; i++) {
            add("Part " + (char) ('A' + i) + ".wav", Arrays.copyOfRange(song.tracks.get(i), HERTZ, song.frames));
        }
        add("Rough mix.wav", song.mix);
        List<Question> places = Questions.of(examine()).stream()
                .filter(question -> question.kind() == Kind.PLACE)
                .toList();
        assertThat(places).hasSize(1);
        assertThat(places.get(0).words()).contains("files say").contains("0:01.000 later");
    }

    @Test
    void aWrongRateInTheHeaderIsPutRight() throws IOException {
        add("Rough mix.wav", song.mix);
        add("Kick.wav", song.tracks.get(0));
        addAt(44_100, "Lead vox.wav", voice);
        Intake intake = examine();
        assertThat(kinds(intake)).contains(Kind.WRONG_RATE);
        Session session = make(answer(intake, Kind.WRONG_RATE, "48 kHz"));
        assertThat(clip(session, "Lead Voice").frames()).isEqualTo(voice.length);
        assertThat(clip(session, "Lead Voice").position()).isZero();
    }

    @Test
    void theSameSoundIsToldExactlyOrAGainAwayAndNothingIsThrownAwayUnasked() throws IOException {
        add("Kick.wav", song.tracks.get(0));
        add("Kick copy.wav", song.tracks.get(0));
        add("Lead vox.wav", voice);
        add("Solo.wav", times(-0.5, voice));
        Intake intake = examine();
        assertThat(Questions.of(intake).stream()
                        .filter(question -> question.kind() == Kind.SAME_SOUND)
                        .map(Question::words))
                .containsExactly(
                        "“Kick copy.wav” is the same sound as “Kick.wav”, sample for sample.",
                        "“Solo.wav” is the same sound as “Lead vox.wav”, -6.0 dB, turned over.");
        assertThat(make(intake).audioRows()).hasSize(4);
        Intake without = answer(intake, Kind.SAME_SOUND, "Leave “Kick copy.wav” out");
        assertThat(make(without).audioRows()).hasSize(3);
    }

    @Test
    void turnedPolarityIsTurnedBack() throws IOException {
        add("Lead vox.wav", times(-1, voice));
        add("Rough mix.wav", song.mix);
        Intake turned = answer(examine(), Kind.POLARITY, "Turn it");
        assertThat(kinds(turned)).isEmpty();
        assertThat(clip(make(turned), "Lead Voice").inverted()).isTrue();
    }

    @Test
    void sidesBecomeOneStereoRecordingAndALoneOneARow() throws IOException {
        add("07 OH_L.wav", voice);
        add("08 OH_R.wav", song.tracks.get(0));
        add("09 Gtr_L.wav", song.tracks.get(1));
        add("10 Gtr_R.wav", Arrays.copyOf(song.tracks.get(2), song.frames - 9));
        Intake intake = examine();
        Session session = make(answer(intake, Kind.LONE_SIDE, "A row of its own"));
        Clip pair = clip(session, "Overhead");
        assertThat(pair.channels()).isEqualTo(2);
        double[][] read = new double[2][100];
        try (var in = store.open(pair.recording())) {
            in.read(HERTZ, 100, 0, read, 0);
        }
        for (int i = 0; i < 100; i++) {
            assertThat(read[0][i]).isEqualTo((float) (0.3 * voice[HERTZ + i]));
            assertThat(read[1][i]).isEqualTo((float) (0.3 * song.tracks.get(0)[HERTZ + i]));
        }
    }

    @Test
    void takesAreAskedAboutUnlessTheNameSaysSo() throws IOException {
        add("Tom 1_01.wav", song.tracks.get(0));
        add("Tom 1_02.wav", times(0.7, song.tracks.get(1)));
        add("Vox take 1.wav", voice);
        add("Vox take 2.wav", song.tracks.get(2));
        Intake intake = examine();
        assertThat(kinds(intake)).containsExactly(Kind.TAKES_OR_ROWS);
        assertThat(kinds(answer(intake, Kind.TAKES_OR_ROWS, "Takes of one row")))
                .isEmpty();
        Session takes = make(intake);
        assertThat(((AudioRow) row(takes, "Tom 1")).takes()).hasSize(2);
        assertThat(((AudioRow) row(takes, "Voice")).takes()).hasSize(2);
        Session rows = make(answer(intake, Kind.TAKES_OR_ROWS, "Rows of their own"));
        assertThat(rows.audioRows()).extracting(AudioRow::name).contains("Tom 1 1", "Tom 1 2");
    }

    @Test
    void differentLengthsWithoutAStampOrAMixAreAskedAbout() throws IOException {
        add("Kick.wav", song.tracks.get(0));
        add("Bass.wav", song.tracks.get(1));
        add("Lead vox.wav", Arrays.copyOf(voice, voice.length / 2));
        assertThat(kinds(examine())).containsExactly(Kind.NO_PLACE);
    }

    @Test
    void foldersBecomeBusesAndRowsKeepNoteRoleAndOrder() throws IOException {
        add("Song/Drums/02 Snr T39.wav", song.tracks.get(0));
        add("Song/Drums/01 Kik.wav", song.tracks.get(1));
        add("Song/Voices/03 Ld Vox.wav", voice);
        Intake intake = examine();
        assertThat(kinds(intake)).isEmpty();
        Session session = make(intake);
        assertThat(session.rows()).extracting(Row::name).containsExactly("Drums", "Kick", "Snare", "Lead Voice", "Mix");
        Row snare = row(session, "Snare");
        assertThat(snare.strip().outputs())
                .containsExactly(session.rows().get(0).id());
        assertThat(snare.about().note()).isEqualTo("T39");
        assertThat(snare.about().role()).isEqualTo(Role.DRUMS);
        Session byName = make(new Correction.Ordered(RowsInOrder.BY_NAME).applyTo(intake));
        assertThat(byName.audioRows()).extracting(AudioRow::name).containsExactly("Kick", "Lead Voice", "Snare");
    }

    @Test
    void brokenFilesAreToldAndStopNothing() throws IOException {
        add("Kick.wav", song.tracks.get(0));
        addBytes("letter.wav", "Dear mixer".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        Intake intake = examine();
        assertThat(intake.refused()).extracting(Refusal::file).containsExactly("letter.wav");
        assertThat(make(intake).audioRows()).hasSize(1);
    }

    @Test
    void anMp3IsHeldAgainstAndIsNeverARow() throws Exception {
        int cut = HERTZ + 3;
        add("Lead vox.wav", Arrays.copyOfRange(voice, cut, voice.length));
        double[] mix = times(0.3, song.mix);
        Files.write(
                folder.resolve("mix.wav"),
                SoundBytes.riff()
                        .format(3, 1, HERTZ, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, mix))
                        .wave());
        OutsideTools.run(folder, "ffmpeg -nostdin -loglevel error -i mix.wav -b:a 192k song.mp3".split(" "));
        addBytes("song.mp3", Files.readAllBytes(folder.resolve("song.mp3")));
        Intake intake = examine();
        assertThat(intake.remarks()).singleElement().satisfies(remark -> assertThat(remark.reason())
                .contains("lossy"));
        assertThat(intake.reference()).isPresent();
        Session session = make(answer(intake, Kind.PLACE, "Put it there"));
        assertThat(clip(session, "Lead Voice").position()).isBetween(cut - 1L, cut + 1L);
    }

    @Test
    void theReplySaysInWordsWhatTheSenderCanDo() throws IOException {
        add("Kick.wav", song.tracks.get(0));
        add("Kick copy.wav", song.tracks.get(0));
        add("Empty <b>.wav", new double[HERTZ]);
        addBytes("letter.wav", "Dear mixer".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        Reply reply = Reply.of(examine());
        assertThat(reply.text())
                .startsWith("Low Tide Waltz\n\nWhat arrived\n- 3 recordings arrived.")
                .contains("Please send again\n- “letter.wav” cannot be used.")
                .contains("- “Kick copy.wav” is the same sound as “Kick.wav”, sample for sample.")
                .contains("- “Empty <b>.wav”: There is no sound in it at all.");
        assertThat(reply.html()).contains("“Empty &lt;b&gt;.wav”");
    }

    @Test
    void whatAListLaysOutIsRemarkedOnBeforeAndStaysWhereItSays() throws IOException {
        add("Lead vox.wav", new double[HERTZ]);
        addBytes(
                "clips.csv",
                "row,file,position,length\nVoice,Lead vox.wav,48000,96000\nLost,none.wav,0,10\n"
                        .getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        Intake intake = examine();
        assertThat(intake.remarks()).singleElement().satisfies(remark -> assertThat(remark.reason())
                .contains("longer than its recording"));
        assertThat(intake.missing()).containsExactly("none.wav");
        assertThat(intake.rowCount()).isEqualTo(2);
        Intake moved = new Correction.LieAt(List.of("f1"), 7).applyTo(intake);
        assertThat(clip(make(moved), "Voice").position()).isEqualTo(48_000);
    }

    @Test
    void aSavedSessionComesBackUnderItsTitleAndSaysWhatIsNotHere() throws IOException {
        add("Kick.wav", song.tracks.get(0));
        Session made = make(examine());
        drop = new Drop(Files.createDirectories(folder.resolve("again")));
        RecordingStore first = store;
        store = new RecordingStore(folder.resolve("other store"));
        addBytes("session.json", SessionFile.document(made).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        add("Stray.wav", voice);
        Intake alone =
                new DropExaminer(store, drop).examine("Some zip", Files.createDirectories(folder.resolve("kept2")));
        assertThat(alone.title()).isEqualTo(made.song().title());
        assertThat(alone.missing()).containsExactly("Kick.wav");
        assertThat(first.has(made.recordings().get(0).sha256())).isTrue();

        Intake named = new Correction.Several(
                        List.of(new Correction.Titled("Ebb"), new Correction.UseAs(List.of("f1"), Seat.Use.LEFT_OUT)))
                .applyTo(alone);
        Session back = new SessionFromIntake(store, named, Files.createDirectories(folder.resolve("making2")))
                .make(folder.resolve("kept2"), LocalDate.of(2026, 5, 17));
        assertThat(back.song().title()).isEqualTo("Ebb");
        assertThat(back.rows()).extracting(Row::name).containsExactly("Kick", "Mix");
    }

    @Test
    void filesAreShownAsTheyWillBeLaidOutWithAsidesLast() throws IOException {
        add("read me.txt", new double[1]);
        add("Rough mix.wav", song.mix);
        add("Tom 10.wav", song.tracks.get(0));
        add("Tom 2.wav", song.tracks.get(1));
        Intake byName = new Correction.Several(List.of(
                        new Correction.Ordered(RowsInOrder.BY_NAME),
                        new Correction.UseAs(List.of("f2"), Seat.Use.LEFT_OUT)))
                .applyTo(examine());
        assertThat(byName.laidOut())
                .extracting(IntakeFile::name)
                .containsExactly("Tom 2.wav", "Rough mix.wav", "Tom 10.wav", "read me.txt");
        assertThat(byName.rowCount()).isEqualTo(1);
    }

    @Test
    void whatCameDryAndRenderedIsOfferedAsOneRow() throws IOException {
        add("Gtr_DI.wav", song.tracks.get(1));
        add("Gtr_Amp.wav", times(0.5, song.tracks.get(1)));
        add("Dry/Voice.wav", voice);
        add("Wet/Voice.wav", times(0.4, voice));
        add("Kick.wav", song.tracks.get(0));
        Intake came = examine();
        assertThat(make(came).rows()).as("nothing is joined unasked").hasSizeGreaterThanOrEqualTo(6);
        Session session = make(answer(came, Kind.WET_AND_DRY, "One row each"));
        assertThat(session.audioRows()).extracting(Row::name).containsExactlyInAnyOrder("Guitar", "Voice", "Kick");
        assertThat(row(session, "Guitar").placedAt(Station.INSERTS).orElseThrow())
                .extracting(clip -> session.recording(clip.recording()).fileName())
                .containsExactly("Gtr_Amp.wav");
        assertThat(session.recording(clip(session, "Guitar").recording()).fileName())
                .isEqualTo("Gtr_DI.wav");
        assertThat(kinds(answer(came, Kind.WET_AND_DRY, "Rows of their own"))).doesNotContain(Kind.WET_AND_DRY);
    }

    @Test
    void whatIsOnlyCalledAlikeIsNoPair() throws IOException {
        add("Gtr 1 Amp.wav", song.tracks.get(1));
        add("Gtr 2 DI.wav", song.tracks.get(2));
        add("Bass.wav", voice);
        add("Bass Amp.wav", Arrays.copyOf(voice, voice.length / 3));
        assertThat(kinds(examine())).doesNotContain(Kind.WET_AND_DRY);
    }

    @Test
    void aMixThatNobodyCallsOneIsFoundByWhatTheOthersAddUpTo() throws IOException {
        for (int i = 0; i < song.tracks.size(); i++) {
            add("Part " + (char) ('A' + i) + ".wav", song.tracks.get(i));
        }
        add("Quay 7.wav", song.mix);
        Intake came = examine();
        Question asked = Questions.of(came).stream()
                .filter(question -> question.kind() == Kind.SUM_OF_OTHERS)
                .findFirst()
                .orElseThrow();
        assertThat(asked.words()).contains("Quay 7.wav", "looks like the mix");
        Session session = make(asked.answers().get(0).correction().applyTo(came));
        assertThat(row(session, "Quay 7").strip().outputs()).isEmpty();
        assertThat(kinds(answer(came, Kind.SUM_OF_OTHERS, "It is a row"))).doesNotContain(Kind.SUM_OF_OTHERS);
    }
}
