package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.BadFiles;
import apodex.audio.OutsideTools;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFileException;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

final class SessionFromDropTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 6, 1);

    @TempDir
    private Path folder;

    private RecordingStore store;
    private Drop drop;

    @BeforeEach
    void begin() throws IOException {
        store = new RecordingStore(folder.resolve("store"));
        drop = new Drop(Files.createDirectories(folder.resolve("work")));
    }

    @Test
    void theEarliestTimeStampIsTheStartAndTheOthersLieAfterIt() throws IOException {
        add("Late.wav", stamped(48_000, 900_000_100L, "2026-05-18"));
        add("Early.wav", stamped(48_000, 900_000_000L, "2026:05:17"));
        add("No stamp.wav", SoundBytes.mono24(1, 2));
        add("Nonsense stamp.wav", stamped(48_000, -1L, "not a date"));
        Session session = make().session().orElseThrow();
        assertThat(session.startReference()).isEqualTo(900_000_000L);
        assertThat(positions(session)).containsExactly(100L, 0L, 0L, 0L);
        assertThat(session.originated()).as("the earliest date a file names").isEqualTo("2026-05-17");
        assertThat(session.rows())
                .extracting(Row::name)
                .containsExactly("Late", "Early", "No stamp", "Nonsense stamp", "Mix");
        assertThat(session.frames()).isEqualTo(104);
    }

    @Test
    void progressEndsAtAllOfItWhateverTheFilesAre() throws IOException {
        DropProgress progress = new DropProgress();
        drop = new Drop(folder.resolve("work"), progress);
        add("a.wav", SoundBytes.mono24(1, 2));
        add("broken.wav", new byte[50]);
        add("list.csv", "File,Start\na.wav,0\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(progress.files()).as("nothing was looked into yet").isZero();
        make();
        assertThat(progress.files()).isEqualTo(3);
        assertThat(progress.done()).isEqualTo(3);
        assertThat(progress.file()).isEqualTo("a.wav");
    }

    @Test
    void theMostCommonRateWinsAndOthersStayAsTheyCameAtTheirPlaces() throws IOException {
        add("a.wav", stamped(44_100, 441_000, ""));
        add("b.wav", stamped(48_000, 528_000, ""));
        add("c.wav", stamped(44_100, 441_000, ""));
        SessionFromDrop.Result result = make();
        Session session = result.session().orElseThrow();
        assertThat(result.refused()).isEmpty();
        assertThat(session.rate().hertz()).isEqualTo(44_100);
        assertThat(session.recordings())
                .filteredOn(recording -> recording.fileName().equals("b.wav"))
                .extracting(recording -> recording.rate().hertz())
                .containsExactly(48_000);
        assertThat(positions(session))
                .as("528000 at 48 kHz is 11 s, a second after the others")
                .containsExactly(0L, 44_100L, 0L);
        apodex.session.SessionRules.checked(session);
    }

    @Test
    void equallyCommonRatesAreSettledForTheHigher() throws IOException {
        add("a.wav", stamped(44_100, 0, ""));
        add("b.wav", stamped(96_000, 0, ""));
        assertThat(make().session().orElseThrow().rate().hertz()).isEqualTo(96_000);
    }

    @Test
    void widerFilesGiveARowForEveryChannelPair() throws IOException {
        byte[] five = SoundBytes.riff()
                .format(1, 5, 48_000, 16)
                .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 2, List.of(1L, 2L, 3L, 4L, 5L)))
                .wave();
        add("Room.wav", five);
        SessionFromDrop.Result result = make();
        Session session = result.session().orElseThrow();
        assertThat(session.audioRows())
                .extracting(AudioRow::name)
                .containsExactly("Room ch 1-2", "Room ch 3-4", "Room ch 5");
        assertThat(session.audioRows())
                .extracting(row -> row.clips().get(0))
                .extracting(Clip::firstChannel, Clip::channels)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(0, 2),
                        org.assertj.core.groups.Tuple.tuple(2, 2),
                        org.assertj.core.groups.Tuple.tuple(4, 1));
        assertThat(session.recordings()).hasSize(1);
        assertThat(result.brought()).containsExactly(new SessionFromDrop.Brought("Room.wav", "r1"));
    }

    @Test
    void aSessionHasAThousandRowsAtMost() throws IOException {
        byte[] wide = SoundBytes.riff()
                .format(1, 64, 48_000, 8)
                .chunk("data", new byte[64])
                .wave();
        for (int i = 0; i < 32; i++) {
            wide[wide.length - 1] = (byte) i; // 32 files of 32 channel pairs
            add("wide " + i + ".wav", wide);
        }
        SessionFromDrop.Result result = make();
        assertThat(result.session().orElseThrow().audioRows()).hasSize(31 * 32);
        assertThat(result.refused()).extracting(Refusal::file).containsExactly("wide 31.wav");
    }

    static List<BadFiles.Bad> broken() {
        return BadFiles.all();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("broken")
    void brokenFilesAreNamedWithTheReasonAndLeaveNothingBehind(BadFiles.Bad bad) throws IOException {
        add("good.wav", SoundBytes.mono24(1, 2, 3));
        add("bad.wav", bad.bytes());
        SessionFromDrop.Result result = make();
        assertThat(result.brought()).extracting(SessionFromDrop.Brought::file).containsExactly("good.wav");
        assertThat(result.refused()).singleElement().satisfies(refusal -> {
            assertThat(refusal.file()).isEqualTo("bad.wav");
            assertThat(refusal.reason()).contains(bad.words()).endsWith(".");
        });
        try (var kept = Files.walk(folder.resolve("store"))) {
            assertThat(kept.filter(path -> path.getFileName().toString().equals("original")))
                    .hasSize(1);
        }
        try (var kept = Files.list(folder.resolve("store"))) {
            assertThat(kept.map(path -> path.getFileName().toString())).noneMatch(name -> name.startsWith("."));
        }
    }

    @Test
    void nothingUsableGivesNoSession() throws IOException {
        add("bad.wav", new byte[0]);
        assertThat(make().session()).isEmpty();
    }

    @Test
    void theSameRecordingTwiceInOneDropIsKeptOnceAndGivesTwoRows() throws IOException {
        for (int i = 0; i < 20; i++) {
            add("copy " + i + ".wav", SoundBytes.mono24(9, 8, 7));
        }
        SessionFromDrop.Result result = make();
        assertThat(result.brought()).hasSize(20);
        assertThat(result.refused()).isEmpty();
        assertThat(result.session().orElseThrow().audioRows())
                .extracting(row -> row.clips().get(0).recording())
                .containsOnly(result.session()
                        .orElseThrow()
                        .audioRows()
                        .get(0)
                        .clips()
                        .get(0)
                        .recording())
                .hasSize(20);
    }

    @Test
    void theStoreKeepsEveryRecordingOnceAndUnchanged() throws Exception {
        byte[] sound = SoundBytes.mono24(5, 6, 7);
        Recording first = store.bring(temporary(sound), "one.wav");
        Recording second = store.bring(temporary(sound), "two.wav");
        assertThat(second.sha256()).isEqualTo(first.sha256());
        assertThat(second.fileName()).isEqualTo("two.wav");
        Path kept = folder.resolve("store")
                .resolve(first.sha256().substring(0, 2))
                .resolve(first.sha256())
                .resolve("original");
        assertThat(kept).hasBinaryContent(sound);
        assertThat(OutsideTools.run(folder, "sha256sum", kept.toString())).startsWith(first.sha256());
        assertThat(store.has(first.sha256())).isTrue();
        assertThat(store.has("../../etc/passwd")).isFalse();
        assertThatThrownBy(() -> store.open("0".repeat(64))).hasMessageContaining("not in the store");
    }

    @Test
    void flacIsKeptAsItCameAndReadAsSound() throws Exception {
        OutsideTools.run(folder, "sox", "-R", "-n", "-r", "48000", "-b", "24", "in.wav", "synth", "0.5", "sine", "440");
        OutsideTools.run(folder, "flac", "-s", "in.wav");
        byte[] flac = Files.readAllBytes(folder.resolve("in.flac"));
        Recording recording = store.bring(temporary(flac), "in.flac");
        try (var reader = store.open(recording.sha256())) {
            assertThat(reader.frames()).isEqualTo(24_000).isEqualTo(recording.frames());
        }
        byte[] damaged = flac.clone();
        damaged[flac.length - 100] ^= 0x7F;
        Path file = temporary(damaged);
        assertThatThrownBy(() -> store.bring(file, "damaged.flac")).isInstanceOf(SoundFileException.class);
        assertThat(file).as("a refused file stays where it was").exists();
    }

    private static byte[] stamped(int hertz, long reference, String date) {
        String padded = (date + "\0\0\0\0\0\0\0\0\0\0").substring(0, 10);
        return SoundBytes.riff()
                .broadcast(reference, padded)
                .format(1, 1, hertz, 16)
                .chunk(
                        "data",
                        SoundBytes.integers(
                                ByteOrder.LITTLE_ENDIAN, 2, List.of(reference & 0xFF, 2L, 3L, (long) hertz & 0x7F)))
                .wave();
    }

    private static List<Long> positions(Session session) {
        return session.audioRows().stream()
                .map(row -> row.clips().get(0).position())
                .toList();
    }

    private void add(String name, byte[] content) throws IOException {
        drop.add(name, temporary(content));
    }

    private Path temporary(byte[] content) throws IOException {
        return Files.write(Files.createTempFile(folder, "in", ""), content);
    }

    private SessionFromDrop.Result make() throws IOException {
        return new SessionFromDrop(store).make(drop, "Test", TODAY);
    }
}
