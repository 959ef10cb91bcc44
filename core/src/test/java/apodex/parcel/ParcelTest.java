package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.OutsideTools;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Key;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.Song;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.Meter;
import apodex.time.SampleRate;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A small session printed, proved, packed, and unpacked with tools that are not ours. */
final class ParcelTest {
    /** A little more than 32 bits count. */
    private static final long HUGE = (1L << 32) + 77;

    @TempDir
    private Path folder;

    private Session session;
    private Handoff handoff;
    private Plan plan;
    private Proof proof;
    private Path printed;
    private Parcel parcel;
    private Path zip;

    @BeforeEach
    void print() throws Exception {
        TestRecordings recordings = new TestRecordings(folder);
        Recording wide = recordings.add("wide", 2, 24, 100, 100, -500, -500, 30, 30);
        Recording low = recordings.add("low", 1, 24, 8, 9, 10);
        session = new Session(
                new Song("Low Tide Waltz", "Salt Harbour Players", 96.0, Meter.parse("3/4"), Key.parse("G major")),
                new SampleRate(48_000),
                1_728_000_000L,
                "2026-05-17",
                List.of(wide, low),
                List.of(
                        new AudioRow("r1", "Dulcimer pickup", List.of(Clip.whole(wide, 0, 2, 10))),
                        new AudioRow("r2", "Größe: Tuba", List.of(Clip.whole(low, 0, 1, 0))),
                        new AudioRow("r3", "Empty", List.of()),
                        MixRow.DEFAULT));
        handoff = Handoff.named("Quayside Mix Room").printing(Depth.INT16, null).saying("Loud & <clear>\nplease");
        plan = Planner.plan(session, handoff, recordings);
        printed = Files.createDirectories(folder.resolve("printed"));
        Printing.Result result = Printing.print(session, handoff, plan, printed, recordings, 2, WalkObserver.NONE);
        proof = Proving.prove(
                session, handoff, result, printed, recordings, 2, java.util.Map.of(), Proving.Told.NOTHING);
        plan = result.plan();
        parcel = new Parcel(session, handoff, plan, proof, "{}");
        zip = written(parcel.zips(printed).get(0), printed, "zips");
    }

    private Path written(ZipPieces pieces, Path files, String to) throws Exception {
        Path zip = Files.createDirectories(folder.resolve(to)).resolve(pieces.name());
        try (InputStream in = pieces.open(files)) {
            Files.copy(in, zip);
        }
        assertThat(Files.size(zip)).isEqualTo(pieces.length());
        return zip;
    }

    @Test
    void aDownloadCanGoOnFromAnywhere() throws Exception {
        byte[] whole = Files.readAllBytes(zip);
        ZipPieces pieces = parcel.zips(printed).get(0);
        for (int from = 0; from <= whole.length; from += 13) {
            try (InputStream in = pieces.open(printed)) {
                assertThat(in.skip(from)).isEqualTo(from);
                assertThat(in.readAllBytes()).isEqualTo(Arrays.copyOfRange(whole, from, whole.length));
            }
        }
    }

    @Test
    void aFileCutShortUnderwayNeverGoesOutAsWhole() throws Exception {
        ZipPieces pieces = parcel.zips(printed).get(0);
        Path wav = printed.resolve("Tracks/01_Dulcimer pickup.wav");
        Files.write(wav, Arrays.copyOf(Files.readAllBytes(wav), 700));
        try (InputStream in = pieces.open(printed)) {
            assertThatThrownBy(in::readAllBytes).hasMessageContaining("01_Dulcimer pickup.wav");
        }
    }

    @Test
    void anOutsideUnzipTakesItAndEveryChecksumHolds() throws Exception {
        assertThat(zip.getFileName()).hasToString("Low Tide Waltz_For mixing_v1_48k_16bit_96bpm_Gmaj.zip");
        OutsideTools.run(folder, "unzip", "-q", zip.toString(), "-d", "unpacked");
        String checked =
                OutsideTools.run(folder.resolve("unpacked"), "sha256sum", "--strict", "-c", Checksums.FILE_NAME);
        assertThat(checked.lines())
                .hasSize(14)
                .allMatch(line -> line.endsWith(": OK"))
                .anyMatch(line -> line.startsWith("Tracks/02_Größe- Tuba.wav"))
                .anyMatch(line -> line.startsWith("Sheet/Session sheet.pdf"));
        assertThat(Files.readAllBytes(folder.resolve("unpacked/Reference/00_Reference Mix.wav")))
                .isEqualTo(Files.readAllBytes(printed.resolve("Reference/00_Reference Mix.wav")));
    }

    @Test
    void entriesAreStoredAndTheSameEveryTime() throws Exception {
        try (ZipFile open = new ZipFile(zip.toFile())) {
            assertThat(open.stream().map(ZipEntry::getName))
                    .containsExactly(
                            "Tracks/01_Dulcimer pickup.wav",
                            "Tracks/02_Größe- Tuba.wav",
                            "Reference/00_Reference Mix.wav",
                            "Sheet/Click.flac",
                            "Sheet/Session sheet.txt",
                            "Sheet/Session sheet.html",
                            "Sheet/Session sheet.pdf",
                            "Sheet/manifest.json",
                            "Sheet/files.csv",
                            "Sheet/moves.csv",
                            "Sheet/How to load.html",
                            "Sheet/Timeline.otio",
                            "Sheet/clips.csv",
                            "Sheet/Tempo map.mid",
                            "checksums.sha256");
            assertThat(open.stream()).allMatch(entry -> entry.getMethod() == ZipEntry.STORED);
        }
        Path again = written(parcel.zips(printed).get(0), printed, "again");
        assertThat(Files.readAllBytes(again)).isEqualTo(Files.readAllBytes(zip));
    }

    @Test
    void theSheetSaysWhatSoftwareCannotGuess() {
        String text = parcel.sheetText();
        assertThat(text)
                .startsWith(
                        "Low Tide Waltz\n==============\nSalt Harbour Players · v1\nFor mixing, to Quayside Mix Room: WAV, 16-bit, 48 kHz, the whole session,")
                .contains(
                        "Tempo         96 quarter notes a minute",
                        "Meter         3/4",
                        "Key           G major",
                        "Format        WAV, 48 kHz, 16-bit",
                        "13 samples)",
                        "1728000000 samples after midnight",
                        "02  Größe: Tuba");
        assertThat(text.replaceAll("\\s+", " "))
                .contains(
                        "Left and right are the same, sample for sample. The left side is taken.",
                        "Empty ──",
                        "Not printed: nothing is on it.",
                        "Triangular dither of two steps is in every file",
                        "No level was normalised",
                        "[ok] All one length: 13 samples");
        assertThat(text.lines()).allMatch(line -> line.codePointCount(0, line.length()) <= 120);
        assertThat(text).as("a file at Raw and places on the way").contains("■──");
    }

    @Test
    void aClickWithoutATempoSaysWhatItGoesBy() {
        Session unknown =
                new Session(Song.titled("x"), session.rate(), 0, "2026-05-17", session.recordings(), session.rows());
        assertThat(new Parcel(unknown, handoff, plan, proof, "{}").sheetText())
                .contains("Tempo         not given\nMeter         not given\n");
        assertThat(new Parcel(unknown, handoff.with(handoff.settings().withLeadIn(1, false)), plan, proof, "{}")
                        .sheetText())
                .contains(
                        "Tempo         not given; lead-in and click go by 120 quarter notes a minute",
                        "Meter         not given; lead-in and click go by 4/4");
    }

    @Test
    void aPdfReaderReadsWhatTheTextSays() throws Exception {
        Files.write(folder.resolve("sheet.pdf"), parcel.sheetPdf());
        String pages;
        try (PDDocument document = Loader.loadPDF(folder.resolve("sheet.pdf").toFile())) {
            pages = new PDFTextStripper().getText(document);
            assertThat(document.getPage(0).getMediaBox().getWidth()).as("A4").isCloseTo(595.3f, within(1f));
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Low Tide Waltz: session sheet");
        }
        List<String> words = java.util.stream.Stream.of(
                        parcel.sheetText().replaceAll("\\[(ok|look)\\]", "").split("[^\\p{L}\\p{N}.]+"))
                .filter(word -> word.length() > 3)
                .distinct()
                .toList();
        String flat = java.text.Normalizer.normalize(pages, java.text.Normalizer.Form.NFKC)
                .replaceAll("[\\s\u00ad]+", "");
        assertThat(words).hasSizeGreaterThan(100).allSatisfy(word -> assertThat(flat)
                .contains(word));
        assertThat(flat)
                .contains("■──")
                .as("signs and letters of other scripts are there")
                .contains("Größe");
        assertThat(parcel.sheetHtml())
                .contains("Loud &amp; &lt;clear&gt;")
                .doesNotContain("<script", "http:", "https:", "src=");
    }

    @ParameterizedTest
    @ValueSource(strings = {"潮のワルツ", "썰물 왈츠", "退潮圆舞曲", "ולס השפל", "فالس الجزر", "Вальс отлива", "Βαλς"})
    void otherScriptsCanBeReadInThePdf(String title) throws Exception {
        Session named = session.withSong(new Song(title, title, 96.0, null, null));
        Files.write(folder.resolve("script.pdf"), new Parcel(named, handoff, plan, proof, "{}").sheetPdf());
        String told = OutsideTools.run(folder, "pdftotext", "-layout", "script.pdf", "-");
        String flat = java.text.Normalizer.normalize(told, java.text.Normalizer.Form.NFKC)
                .replaceAll("[\\s\\p{Cf}]+", "");
        assertThat(flat).contains(title.replace(" ", ""));
        assertThat(OutsideTools.run(folder, "pdffonts", "script.pdf").lines().skip(2))
                .as("every font is embedded, and only what is used of it")
                .allMatch(line -> line.matches(".*\\byes +yes +(yes|no) .*"));
    }

    @Test
    void theManifestFitsItsSchemaAndTheListItsFiles() throws Exception {
        OutsideTools.run(folder, "unzip", "-q", zip.toString(), "-d", "listed");
        JsonNode manifest = new ObjectMapper().readTree(Files.readString(folder.resolve("listed/Sheet/manifest.json")));
        JsonSchema schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(Path.of("../docs/manifest.schema.json")));
        assertThat(schema.validate(manifest)).isEmpty();
        ((com.fasterxml.jackson.databind.node.ObjectNode) manifest).remove("sections");
        assertThat(schema.validate(manifest))
                .as("it would say if something were missing")
                .isNotEmpty();
        assertThat(manifest.get("files").findValuesAsText("sha256"))
                .containsExactly(
                        hash("Tracks/01_Dulcimer pickup.wav"),
                        hash("Tracks/02_Größe- Tuba.wav"),
                        hash("Reference/00_Reference Mix.wav"));
        List<String> lines = Files.readAllLines(folder.resolve("listed/Sheet/files.csv"));
        assertThat(lines).hasSize(4);
        assertThat(lines.get(1))
                .startsWith("Tracks/01_Dulcimer pickup.wav,,Dulcimer pickup,Raw,48000,16-bit,1,13,middle,0.0,");
    }

    @Test
    void namesInTheListAreNoFormulas() {
        assertThat(List.of("=1+1", "@SUM(A1)", "+49", "-3 dB", "Tuba", "T=1").stream()
                        .map(Csv::plain))
                .containsExactly("'=1+1", "'@SUM(A1)", "'+49", "'-3 dB", "Tuba", "T=1");
    }

    private String hash(String path) throws Exception {
        return OutsideTools.run(folder.resolve("listed"), "sha256sum", path).split(" ")[0];
    }

    private static long crcOfZeros(long length) {
        CRC32 crc = new CRC32();
        byte[] zeros = new byte[1 << 20];
        for (long left = length; left > 0; left -= zeros.length) {
            crc.update(zeros, 0, (int) Math.min(left, zeros.length));
        }
        return crc.getValue();
    }

    @Test
    void aParcelOfMoreThanTheOldZipCouldHoldIsTakenByAnOutsideUnzip() throws Exception {
        Path big = folder.resolve("big.wav");
        try (var file = new java.io.RandomAccessFile(big.toFile(), "rw")) {
            file.setLength(HUGE); // holes: takes no room itself
        }
        byte[] note = "after it".getBytes(StandardCharsets.UTF_8);
        CRC32 ofNote = new CRC32();
        ofNote.update(note);
        ZipPieces pieces = StoredZip.of(
                "huge.zip",
                List.of(
                        new Parcel.Item("big.wav", HUGE, null, crcOfZeros(HUGE), ""),
                        new Parcel.Item("note.txt", note.length, note, ofNote.getValue(), "")),
                java.time.LocalDate.of(2026, 1, 1));
        Path huge = folder.resolve("huge.zip");
        try (var file = new java.io.RandomAccessFile(huge.toFile(), "rw")) { // holes here as well
            for (ZipPieces.Piece piece : pieces.pieces()) {
                file.write(piece.bytes());
                file.seek(file.getFilePointer() + piece.length() - piece.bytes().length);
            }
        }
        try (InputStream in = pieces.open(folder);
                InputStream written = Files.newInputStream(huge)) {
            long behind = pieces.pieces().get(0).length() + HUGE - 5;
            in.skipNBytes(behind);
            written.skipNBytes(behind);
            assertThat(in.readAllBytes()).isEqualTo(written.readAllBytes());
        }
        Files.delete(big);
        assertThat(Files.size(huge)).isGreaterThan(HUGE);
        assertThat(OutsideTools.run(folder, "unzip", "-tq", huge.toString())).contains("No errors detected");
        assertThat(OutsideTools.run(folder, "unzip", "-p", huge.toString(), "note.txt"))
                .isEqualTo("after it");
    }

    @Test
    void aParcelIsSplitBetweenFilesAndEveryPartHoldsItsOwnChecksums() throws Exception {
        byte[] noise = new byte[6_000_000];
        Path files = Files.createDirectories(folder.resolve("split/Tracks")).getParent();
        for (String name : List.of("01_Dulcimer pickup.wav", "02_Größe- Tuba.wav")) {
            Files.write(files.resolve("Tracks").resolve(name), noise);
        }
        Files.createDirectories(files.resolve("Reference"));
        Files.write(files.resolve("Reference/00_Reference Mix.wav"), noise);
        Files.createDirectories(files.resolve("Sheet"));
        Files.write(files.resolve("Sheet/Click.flac"), new byte[100]);
        Parcel split = new Parcel(
                session, handoff.with(handoff.settings().withSplit(10)), plan, sized(proof, noise.length), "{}");
        List<Path> zips = new java.util.ArrayList<>();
        for (ZipPieces part : split.zips(files)) {
            zips.add(written(part, files, "parts"));
        }
        assertThat(zips)
                .extracting(path -> path.getFileName().toString())
                .allMatch(name -> name.matches("Low Tide Waltz_.*_[123] of 3\\.zip"))
                .hasSize(3);
        for (Path part : zips) {
            try (ZipFile open = new ZipFile(part.toFile())) {
                String sums = new String(
                        open.getInputStream(open.getEntry("checksums.sha256")).readAllBytes(),
                        java.nio.charset.StandardCharsets.UTF_8);
                assertThat(sums.lines().map(line -> line.substring(66)))
                        .containsExactlyElementsOf(open.stream()
                                .map(ZipEntry::getName)
                                .filter(name -> !name.equals("checksums.sha256"))
                                .toList());
            }
        }
    }

    private static Proof sized(Proof proof, long bytes) {
        List<FileProof> files = proof.files().stream()
                .map(file -> ((com.fasterxml.jackson.databind.node.ObjectNode) SessionDocument.JSON.valueToTree(file))
                        .put("bytes", bytes))
                .map(node -> SessionDocument.JSON.convertValue(node, FileProof.class))
                .toList();
        return new Proof(files, proof.verdicts(), proof.sums(), proof.received(), proof.faults(), proof.edits());
    }
}
