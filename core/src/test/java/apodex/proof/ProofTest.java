package apodex.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.FileKind;
import apodex.audio.OutsideTools;
import apodex.audio.SampleFormat;
import apodex.handoff.Depth;
import apodex.handoff.Edits;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.proof.Verdict.Grade;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Placed;
import apodex.signal.Sharing;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class ProofTest {
    private static final SampleRate RATE = new SampleRate(48_000);
    private static final apodex.handoff.Printing.Made MADE =
            new apodex.handoff.Printing.Made("", 1, 0, 0, apodex.signal.Placed.MIDDLE, false, null, null);

    @TempDir
    private Path folder;

    @Test
    void readsBackWhatSoxAndSha256sumSayOfTheSameFile() throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                "-R",
                "-n",
                "-r",
                "48000",
                "-c",
                "2",
                "-b",
                "24",
                "a.wav",
                "synth",
                "1",
                "pinknoise",
                "gain",
                "-9",
                "pad",
                "0.25",
                "0.1");
        FileProof proof =
                FileReader.read(folder.resolve("a.wav"), "Tracks", MADE).proof();
        String stats = OutsideTools.run(folder, "sox", "a.wav", "-n", "stats");
        Matcher peak = Pattern.compile("Pk lev dB\\s+(-?[\\d.]+)").matcher(stats);
        assertThat(peak.find()).isTrue();
        assertThat(proof.peakDbfs()).isCloseTo(Double.parseDouble(peak.group(1)), within(0.006));
        assertThat(proof.frames())
                .isEqualTo(Long.parseLong(
                        OutsideTools.run(folder, "soxi", "-s", "a.wav").trim()));
        assertThat(proof.sha256())
                .isEqualTo(OutsideTools.run(folder, "sha256sum", "a.wav").split(" ")[0]);
        assertThat(proof.firstSoundFrame()).isBetween(12_000L, 12_010L);
        assertThat(proof.bytes()).isEqualTo(Files.size(folder.resolve("a.wav")));
        assertThat(proof.sample()).isEqualTo(SampleFormat.INT24);
        assertThat(proof.silent()).isFalse();
    }

    @Test
    void tellsSilentFromNearlySilentFromFullScale() throws IOException {
        assertThat(read("s", 0, 0, 0)).satisfies(file -> {
            assertThat(file.silent()).isTrue();
            assertThat(file.peakDbfs()).isNull();
            assertThat(file.firstSoundFrame()).isNull();
        });
        int below60 = (int) (Math.pow(10, -60.01 / 20) * 8_388_608);
        int above60 = (int) (Math.pow(10, -59.99 / 20) * 8_388_608);
        assertThat(read("n", 0, below60).nearlySilent()).isTrue();
        assertThat(read("a", 0, -above60).nearlySilent()).isFalse();
        FileProof full = read("f", 8_388_607, -8_388_608, 8_388_606);
        assertThat(full.fullScaleSamples()).isEqualTo(2);
        assertThat(full.peakDbfs()).isEqualTo(0.0);
    }

    @Test
    void thePictureHoldsEveryExtreme() throws IOException {
        int[] samples = new int[5_003];
        samples[4_999] = 8_388_607;
        samples[17] = -4_194_304;
        Path file = Files.write(folder.resolve("p"), apodex.audio.SoundBytes.mono24(samples));
        ByteBuffer picture = ByteBuffer.wrap(
                        FileReader.read(file, "Tracks", MADE).measures().picture())
                .order(ByteOrder.LITTLE_ENDIAN);
        int points = picture.limit() / 4;
        assertThat(points).isEqualTo(1_200);
        for (int point = 0; point < points; point++) {
            assertThat(picture.getShort(4 * point))
                    .as("low of %d", point)
                    .isEqualTo(point == 17 * points / 5_003 ? (short) -16_383 : 0);
            assertThat(picture.getShort(4 * point + 2))
                    .as("high of %d", point)
                    .isEqualTo(point == 4_999 * points / 5_003 ? Short.MAX_VALUE : 0);
        }
    }

    @Test
    void allGoodIsSaidInThreeVerdicts() {
        List<Verdict> verdicts = verdicts(file("a", "1"), file("b", "2"));
        assertThat(verdicts).extracting(Verdict::grade).containsExactly(Grade.GOOD, Grade.GOOD, Grade.GOOD);
        assertThat(verdicts)
                .extracting(Verdict::headline)
                .containsExactly("All start together", "All one length", "All 48 kHz 24-bit");
    }

    @Test
    void everyDeviationIsNamedWithItsFile() {
        FileProof good = file("good", "1");
        assertVerdict(Grade.WRONG, "1 with another start", "odd", good, with("odd", "2", 100, 6L, 1, 0, 0, -12.0));
        assertVerdict(Grade.WRONG, "1 with another start", "odd", good, with("odd", "2", 100, null, 1, 0, 0, -12.0));
        assertVerdict(Grade.WRONG, "1 of another length", "odd", good, with("odd", "2", 99, 5L, 1, 0, 0, -12.0));
        assertVerdict(Grade.WRONG, "1 of another format", "odd", good, with("odd", "2", 100, 5L, 2, 0, 0, -12.0));
        assertVerdict(Grade.WRONG, "1 over full scale", "odd", good, with("odd", "2", 100, 5L, 1, 3, 2, 0.0));
        assertVerdict(Grade.LOOK, "1 at full scale", "odd", good, with("odd", "2", 100, 5L, 1, 3, 0, 0.0));
        assertVerdict(Grade.LOOK, "1 above full scale", "odd", good, with("odd", "2", 100, 5L, 1, 3, 0, 1.5));
        assertVerdict(Grade.FACT, "1 silent", "odd", good, with("odd", "2", 100, 5L, 1, 0, 0, null));
        assertVerdict(Grade.FACT, "1 nearly silent", "odd", good, with("odd", "2", 100, 5L, 1, 0, 0, -70.0));
        assertVerdict(
                Grade.LOOK, "1 same as another", "odd", good, file("odd", "1").like(new Likeness("Tracks/good", 1)));
        assertVerdict(
                Grade.WRONG,
                "odd is not on the disk",
                "odd",
                good,
                FileProof.unread("odd", "Tracks", RATE, SampleFormat.INT24, 1, "it is not on the disk"));
    }

    @Test
    void anAlteredFileAndAFirstSoundOutOfPlaceAreNamed() {
        List<FileProof> files = List.of(file("good", "1"), file("odd", "2"));
        assertThat(Verdicts.of(
                        plan(2),
                        files,
                        Map.of(0, new FirstSound.Expected(0, 0), 1, new FirstSound.Expected(7, 9)),
                        List.of(),
                        List.of(),
                        Map.of(),
                        List.of("Tracks/good"),
                        List.of()))
                .filteredOn(verdict -> verdict.grade() != Grade.GOOD)
                .extracting(Verdict::headline, Verdict::files)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("1 altered since printing", List.of("Tracks/good")),
                        org.assertj.core.groups.Tuple.tuple("1 out of place", List.of("Tracks/odd")));
        assertThat(FirstSound.Expected.notBefore(5).holds(6))
                .as("later is no fault where only the earliest frame is known")
                .isTrue();
        assertThat(FirstSound.Expected.notBefore(5).holds(4)).isFalse();
    }

    private static List<Verdict> verdicts(FileProof... files) {
        return Verdicts.of(
                plan(files.length),
                List.of(files),
                Map.of(),
                List.of(),
                List.of(),
                faults(files),
                List.of(),
                List.of());
    }

    private static Map<Integer, Culprit> faults(FileProof... files) {
        return IntStream.range(0, files.length)
                .filter(i -> !files[i].isRead())
                .boxed()
                .collect(Collectors.toMap(
                        i -> i, i -> Culprit.of(Culprit.Kind.MISSING, files[i].path(), files[i].name(), 0)));
    }

    private static void assertVerdict(Grade grade, String headline, String file, FileProof... files) {
        assertThat(verdicts(files))
                .filteredOn(verdict -> verdict.grade() != Grade.GOOD)
                .singleElement()
                .satisfies(verdict -> {
                    assertThat(verdict.grade()).isEqualTo(grade);
                    assertThat(verdict.headline()).isEqualTo(headline);
                    assertThat(verdict.files()).containsExactly("Tracks/" + file);
                });
    }

    private static Plan plan(int files) {
        Print print = new Print(
                "f", "Tracks", "r", "r", "R", Station.RAW, 1, Channels.MONO_FROM_LEFT, 0, 1, 0, Placed.MIDDLE);
        Passage passage = new Passage(new FrameRange(0, 100), 0, Passage.Tail.NONE);
        return new Plan(
                "p",
                java.util.Collections.nCopies(files, print),
                List.of(),
                List.of(""),
                List.of(""),
                List.of(),
                List.of(new PlannedSection("", "", passage, 100, 5)),
                Sharing.STANDARD,
                FileKind.WAV,
                FileKind.MP3,
                false,
                RATE,
                0,
                Depth.INT24,
                Depth.INT24,
                "Sheet",
                false,
                true,
                Edits.NONE,
                1);
    }

    private static FileProof file(String name, String content) {
        return with(name, content, 100, 5L, 1, 0, 0, -12.0);
    }

    private static FileProof with(
            String name,
            String content,
            long frames,
            Long reference,
            int channels,
            long fullScale,
            long overs,
            Double peak) {
        return new FileProof(
                name,
                "Tracks",
                apodex.audio.SoundInfo.Container.WAV,
                RATE,
                SampleFormat.INT24,
                channels,
                frames,
                reference,
                peak == null ? null : 0L,
                peak,
                null,
                null,
                0,
                peak == null,
                peak != null && peak < -60,
                fullScale,
                overs,
                1,
                "sum",
                null,
                null,
                content,
                apodex.signal.Placed.MIDDLE,
                false,
                null,
                null);
    }

    private FileProof read(String name, int... samples) throws IOException {
        Path file = Files.write(folder.resolve(name), apodex.audio.SoundBytes.mono24(samples));
        return FileReader.read(file, "Tracks", MADE).proof();
    }

    /** A sine of a quarter of the rate, struck between its crests: samples reach half of its power, the sound all of it. */
    @Test
    void theTruePeakLiesBetweenTheSamples() throws IOException {
        int[] samples = new int[48_000];
        for (int i = 0; i < samples.length; i++) {
            double fade = Math.min(1, Math.min(i, samples.length - 1 - i) / 4_800.0);
            samples[i] = (int) Math.round(fade * 0.5 * 8_388_607 * Math.sin(Math.PI / 2 * i + Math.PI / 4));
        }
        FileProof file = FileReader.read(
                        Files.write(folder.resolve("t"), apodex.audio.SoundBytes.mono24(samples)), "Tracks", MADE)
                .proof();
        assertThat(file.peakDbfs()).isCloseTo(-9.03, within(0.01));
        assertThat(file.truePeakDbtp())
                .as("BS.1770-4, annex 2: at most 0.55 dB under")
                .isBetween(-6.6, -5.9);
    }
}
