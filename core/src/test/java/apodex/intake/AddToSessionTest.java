package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.instrument.Note;
import apodex.intake.Offers.Kind;
import apodex.intake.Offers.Offer;
import apodex.notes.MidiFile;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.InstrumentRow;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Sessions that grow, move house as a file, and rows that are parts of one. */
final class AddToSessionTest {
    @TempDir
    private Path folder;

    private RecordingStore store;

    @BeforeEach
    void begin() throws IOException {
        store = new RecordingStore(folder.resolve("store"));
    }

    private Drop drop(Object... namesAndBytes) throws IOException {
        Path work = Files.createTempDirectory(folder, "work");
        Drop drop = new Drop(work);
        for (int i = 0; i < namesAndBytes.length; i += 2) {
            String path = (String) namesAndBytes[i];
            int slash = path.lastIndexOf('/');
            drop.add(
                    path.substring(0, Math.max(0, slash)),
                    path.substring(slash + 1),
                    Files.write(Files.createTempFile(work, "a", ""), (byte[]) namesAndBytes[i + 1]));
        }
        return drop;
    }

    private Session session(Object... namesAndBytes) throws IOException {
        return new SessionFromDrop(store)
                .make(drop(namesAndBytes), "Waltz", LocalDate.of(2026, 6, 1))
                .session()
                .orElseThrow();
    }

    private Session add(Session session, String row, Object... namesAndBytes) throws IOException {
        AddToSession.Result result = result(session, 500, row, namesAndBytes);
        return result.edit() == null ? session : result.edit().applyTo(session);
    }

    private AddToSession.Result result(Session session, long at, String row, Object... namesAndBytes)
            throws IOException {
        Path kept = Files.createTempDirectory(folder, "kept");
        Intake intake = new DropExaminer(store, drop(namesAndBytes))
                .onto("s", session, at)
                .examine("x", kept);
        AddToSession adding = new AddToSession(store, session);
        if (row != null) {
            adding.asTakeOf((AudioRow) session.row(row).orElseThrow());
        }
        return adding.add(intake, kept, Files.createTempDirectory(folder, "w"));
    }

    private static byte[] sound(int frames, int value) {
        int[] samples = new int[frames];
        java.util.Arrays.fill(samples, value);
        return SoundBytes.mono24(samples);
    }

    @Test
    void recordingsBecomeRowsAtTheMarkOrANewTake() throws IOException {
        Session session = session("Tuba.wav", sound(100, 1));
        Session more = add(session, null, "Harp.wav", sound(50, 2), "broken.wav", new byte[40]);
        assertThat(more.rows()).extracting(Row::name).containsExactly("Tuba", "Harp", "Mix");
        assertThat(more.audioRows().get(1).clips().get(0).position()).isEqualTo(500);
        Session taken = add(more, "r1", "Tuba again.wav", sound(80, 3));
        AudioRow tuba = taken.audioRows().get(0);
        assertThat(tuba.takes()).extracting(Take::name).containsExactly("Take 1", "Take 2");
        assertThat(tuba.clips()).as("the new take is heard").singleElement().satisfies(clip -> assertThat(clip.frames())
                .isEqualTo(80));
        assertThat(taken.rows()).hasSameSizeAs(more.rows());
    }

    @Test
    void aNewerVersionTakesThePlaceOfTheOlderEverywhere() throws IOException {
        Session session = session("Tuba.wav", sound(100, 1), "Harp.wav", sound(100, 2));
        AddToSession.Result result = result(session, 0, null, "tuba.WAV", sound(60, 9));
        Session newer = result.edit().applyTo(session);
        assertThat(result.words()).singleElement().asString().contains("older version");
        Clip clip = newer.audioRows().get(0).clips().get(0);
        assertThat(clip.frames()).as("it is shorter, so the clip is").isEqualTo(60);
        assertThat(clip.recording())
                .isNotEqualTo(session.audioRows().get(0).clips().get(0).recording());
        assertThat(newer.rows()).hasSize(3);
        assertThat(result(newer, 0, null, "tuba.wav", sound(60, 9)).edit())
                .as("the same once more changes nothing")
                .isNull();
    }

    @Test
    void aMissingRecordingIsListedAndTakesItsPlaceWhenItComes() throws IOException {
        byte[] list = "row,file,position,length\nTuba,tuba.wav,100,40\n".getBytes();
        SessionFromDrop.Result result =
                new SessionFromDrop(store).make(drop("list.csv", list), "Waltz", LocalDate.of(2026, 6, 1));
        assertThat(result.missing()).containsExactly("tuba.wav");
        Session found = add(result.session().orElseThrow(), null, "tuba.wav", sound(200, 7));
        Clip clip = found.audioRows().get(0).clips().get(0);
        assertThat(store.has(clip.recording())).isTrue();
        assertThat(List.of(clip.position(), clip.frames())).containsExactly(100L, 40L);
        assertThat(clip.channels()).as("nobody could know that it is mono").isEqualTo(1);
    }

    @Test
    void notesBringRowsAndATempoToASongThatHasNone() throws IOException {
        Song song = new Song("x", "", 96.0, Meter.parse("3/4"), null);
        InstrumentRow bell = new InstrumentRow("b", "Bell", "bell", List.of(new Note(3, 1, 60, 90)), Strip.PLAIN);
        Path file = folder.resolve("x.mid");
        MidiFile.write(
                new Session(song, new SampleRate(48_000), 0, "2026-01-01", List.of(), List.of(bell, MixRow.DEFAULT)),
                List.of(bell),
                file);
        Session grown = add(session("Tuba.wav", sound(100, 1)), null, "x.mid", Files.readAllBytes(file));
        assertThat(grown.song().tempo()).isEqualTo(96);
        assertThat(grown.song().meter()).isEqualTo(Meter.parse("3/4"));
        assertThat(((InstrumentRow) grown.rows().get(1)).notes()).containsExactly(new Note(3, 1, 60, 90));
        Session again =
                add(grown.withSong(new Song("x", "", 70.0, null, null)), null, "x.mid", Files.readAllBytes(file));
        assertThat(again.song().tempo()).as("a tempo somebody gave stays").isEqualTo(70);
    }

    @Test
    void aSessionMovesHouseAsAFileWithItsRecordings() throws IOException {
        Session session = session("Tuba.wav", sound(100, 1), "Harp.wav", sound(70, 2));
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        SessionFile.write(session, store, zip);
        RecordingStore elsewhere = new RecordingStore(folder.resolve("elsewhere"));
        SessionFromDrop.Result result = new SessionFromDrop(elsewhere)
                .make(drop("house.zip", zip.toByteArray()), "other", LocalDate.of(2026, 7, 1));
        assertThat(result.session()).contains(session);
        assertThat(result.refused()).isEmpty();
        assertThat(result.missing()).isEmpty();
        session.recordings().forEach(recording -> assertThat(elsewhere.has(recording.sha256()))
                .isTrue());
        Session broken =
                session.withRows(List.of(session.rows().get(0).withStrip(Strip.feeding("nowhere")), MixRow.DEFAULT));
        String document =
                apodex.session.SessionDocument.write(new SessionFile.Document(SessionFile.FORM, 1, List.of(), broken));
        assertThat(new SessionFromDrop(elsewhere)
                        .make(drop("session.json", document.getBytes()), "x", LocalDate.of(2026, 7, 1))
                        .refused())
                .singleElement()
                .satisfies(refusal -> assertThat(refusal.reason())
                        .contains("does not hold together")
                        .contains("nowhere"));
    }

    @Test
    void leftAndRightAreOfferedAsOneStereoRowAndKeepEverySample() throws IOException {
        for (String[] names : new String[][] {
            {"Acc L", "Acc R"},
            {"acc_left", "acc_right"},
            {"acc.l", "acc.r"},
            {"Acc (L)", "Acc (R)"},
            {"acc-Lft", "acc-Rgt"}
        }) {
            Session session = session(
                    names[0] + ".wav",
                    SoundBytes.mono24(1, 2, 3),
                    names[1] + ".wav",
                    SoundBytes.mono24(-4, 5, -6),
                    "Wall.wav",
                    sound(9, 1));
            List<Offer> offers = Offers.of(session);
            assertThat(offers).as(names[0]).singleElement().satisfies(offer -> assertThat(offer.kind())
                    .isEqualTo(Kind.STEREO_ROW));
            Session joined = StereoPair.join(
                            session,
                            offers.get(0).rows().get(0),
                            offers.get(0).rows().get(1),
                            store,
                            Files.createTempDirectory(folder, "w"))
                    .applyTo(session);
            assertThat(joined.rows())
                    .extracting(row -> row.name().toLowerCase())
                    .containsExactly("acc", "wall", "mix");
            Clip clip = joined.audioRows().get(0).clips().get(0);
            double[][] both = new double[2][3];
            try (PcmReader in = store.open(clip.recording())) {
                in.read(0, 3, 0, both, 0);
            }
            double step = 1.0 / (1 << 23);
            assertThat(both)
                    .isDeepEqualTo(new double[][] {{step, 2 * step, 3 * step}, {-4 * step, 5 * step, -6 * step}});
        }
        Session uneven = session("Acc L.wav", sound(3, 1), "Acc R.wav", sound(4, 1));
        assertThat(Offers.of(uneven)).isEmpty();
        assertThatThrownBy(() -> StereoPair.join(uneven, "r1", "r2", store, folder))
                .hasMessageContaining("equally long");
    }

    @Test
    void numberedPartsBecomeClipsOrTakes() throws IOException {
        byte[] list =
                "row,file,position\nVoice_01,a.wav,0\nVoice_02,b.wav,200\nOther_01,a.wav,0\nOther_02,b.wav,50\nTom 1,a.wav,0\nTom 2,b.wav,500\n"
                        .getBytes();
        Session session = session("list.csv", list, "a.wav", sound(100, 1), "b.wav", sound(100, 2));
        List<Offer> offers = Offers.of(session);
        assertThat(offers).extracting(Offer::kind).containsExactly(Kind.CLIPS_OF_ONE_ROW, Kind.TAKES_OF_ONE_ROW);
        Session done = session;
        for (Offer offer : offers) {
            done = offer.edit().applyTo(done);
        }
        List<AudioRow> rows = new ArrayList<>(done.audioRows());
        assertThat(rows).extracting(Row::name).containsExactly("Voice", "Other", "Tom 1", "Tom 2");
        assertThat(rows.get(0).clips()).extracting(Clip::position).containsExactly(0L, 200L);
        assertThat(rows.get(1).takes()).hasSize(2);
        assertThat(rows.get(1).clips()).extracting(Clip::position).containsExactly(0L);
    }

    @Test
    void whatComesIsSeenAsItWouldLieInTheSession() throws IOException {
        byte[] tuba = sound(100, 1);
        Session started = session("Tuba.wav", stamped(48_000, 100));
        Session session = started.withRows(List.of(
                started.rows().get(0), new BusRow("horns", "Horns", Strip.PLAIN, About.NOTHING), MixRow.DEFAULT));
        Path kept = Files.createTempDirectory(folder, "kept");
        Drop drop = drop(
                "Horns/Harp.wav", stamped(48_000 + 300, 50),
                "Horns/Early.wav", stamped(48_000 - 20, 50),
                "Again.wav", stamped(48_000, 100),
                "tuba.wav", tuba,
                "Loose.wav", sound(70, 3));
        Intake intake = new DropExaminer(store, drop).onto("s", session, 500).examine("x", kept);
        assertThat(intake.title()).isEqualTo("Waltz");
        assertThat(intake.sounds())
                .extracting(IntakeFile::name, file -> file.seat().use(), file -> file.seat()
                        .place()
                        .frame())
                .containsExactlyInAnyOrder(
                        tuple("Harp.wav", Seat.Use.ROW, 300L),
                        tuple("Early.wav", Seat.Use.ROW, -20L),
                        tuple("Again.wav", Seat.Use.LEFT_OUT, 0L),
                        tuple("tuba.wav", Seat.Use.IN_PLACE, 500L),
                        tuple("Loose.wav", Seat.Use.ROW, 500L));
        Session grown = new AddToSession(store, session)
                .add(intake, kept, Files.createTempDirectory(folder, "w"))
                .edit()
                .applyTo(session);
        assertThat(grown.rows())
                .extracting(Row::name)
                .containsExactlyInAnyOrder("Tuba", "Horns", "Harp", "Early", "Loose", "Mix");
        assertThat(row(grown, "Harp").strip().outputs())
                .as("the bus was there already")
                .containsExactly("horns");
        Clip early = row(grown, "Early").clips().get(0);
        assertThat(List.of(early.position(), early.offset(), early.frames())).containsExactly(0L, 20L, 30L);
        assertThat(row(grown, "Tuba").clips().get(0).recording())
                .isEqualTo(intake.sounds().stream()
                        .filter(file -> file.name().equals("tuba.wav"))
                        .findFirst()
                        .orElseThrow()
                        .recording()
                        .sha256());
        Intake own = new Correction.OnItsOwn().applyTo(intake);
        assertThat(own.rowCount()).as("all five, each a row").isEqualTo(5);
        assertThat(own.sounds())
                .filteredOn(file -> file.name().equals("Loose.wav"))
                .extracting(file -> file.seat().place().frame())
                .as("there is no mark any more")
                .containsExactly(0L);
        Session without = session.withRows(List.of(MixRow.DEFAULT)); // somebody removed the tuba meanwhile
        assertThat(new AddToSession(store, without)
                        .add(intake, kept, Files.createTempDirectory(folder, "w"))
                        .edit()
                        .applyTo(without)
                        .rows())
                .extracting(Row::name)
                .contains("Tuba");
    }

    @Test
    void rowsThatShareANameAreToldBeforeAParcelBecomesItsSession() throws IOException {
        Session session = session("Tuba.wav", sound(100, 1), "Harp.wav", sound(90, 2));
        Session twice = session.withRows(
                List.of(session.rows().get(0), session.rows().get(1).withName("Tuba"), MixRow.DEFAULT));
        IntakeFile came = printed("Tuba left", session.recordings().get(0));
        Sorted sorted = Sorted.ofDocuments(List.of(), Sorted.Forms.NONE);
        assertThat(SessionAsItWas.along(session, List.of(), List.of(came), sorted))
                .isEqualTo(new CameAlong(2, false));
        assertThat(sorted.remarks).isEmpty();
        assertThat(SessionAsItWas.along(twice, List.of(), List.of(came), sorted))
                .isEqualTo(new CameAlong(2, false));
        assertThat(sorted.remarks).extracting(Refusal::file).containsExactly("Tuba");
        assertThat(SessionAsItWas.along(
                        session,
                        List.of(),
                        List.of(printed("Oboe", session.recordings().get(0))),
                        sorted))
                .as("a document that none of the files is of")
                .isNull();
    }

    private static IntakeFile printed(String row, Recording recording) {
        Seat seat = new Seat(Seat.Use.ROW, row, Role.OTHER, "", 1, Seat.Side.WHOLE, "", Place.start());
        return new IntakeFile(
                "f1", "", row + ".wav", IntakeFile.Kind.RECORDING, recording, null, null, 0, "Raw", seat, null);
    }

    private static Row row(Session session, String name) {
        return session.rows().stream()
                .filter(row -> row.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static byte[] stamped(long stamp, int frames) {
        return SoundBytes.riff()
                .broadcast(stamp, "2026-05-17")
                .format(1, 1, 48_000, 24)
                .chunk(
                        "data",
                        SoundBytes.integers(
                                ByteOrder.LITTLE_ENDIAN, 3, java.util.Collections.nCopies(frames, stamp % 1_000 + 5)))
                .wave();
    }

    @Test
    void aListFindsWhatTheSessionHoldsAndMarkersJoinThoseThatAreThere() throws IOException {
        Session session = session("Tuba.wav", sound(100, 1)).withMarkers(List.of(new Marker(10, "Verse")));
        byte[] list = "row,file,position,length\nTuba again,tuba.wav,300,40\n".getBytes();
        Path first = notes(100, "Turn");
        Path second = notes(200, "Out");
        AddToSession.Result result = result(
                session,
                0,
                null,
                "list.csv",
                list,
                "a.mid",
                Files.readAllBytes(first),
                "b.mid",
                Files.readAllBytes(second));
        Session more = result.edit().applyTo(session);
        assertThat(result.words()).noneMatch(words -> words.contains("Not here yet"));
        assertThat(more.recordings()).as("no second one stands in for it").hasSize(1);
        Clip clip = more.rows().stream()
                .filter(row -> row.name().equals("Tuba again"))
                .findFirst()
                .orElseThrow()
                .clips()
                .get(0);
        assertThat(clip.recording()).isEqualTo(session.recordings().get(0).sha256());
        assertThat(more.markers()).extracting(Marker::name).containsExactly("Verse", "Turn", "Out");
    }

    private Path notes(long frame, String marker) throws IOException {
        InstrumentRow bell = new InstrumentRow("b", "Bell", "bell", List.of(new Note(3, 1, 60, 90)), Strip.PLAIN);
        Path file = Files.createTempFile(folder, "x", ".mid");
        Session song = new Session(
                new Song("x", "", 96.0, null, null),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(),
                List.of(bell, MixRow.DEFAULT));
        MidiFile.write(song.withMarkers(List.of(new Marker(frame, marker))), List.of(bell), file);
        return file;
    }
}
