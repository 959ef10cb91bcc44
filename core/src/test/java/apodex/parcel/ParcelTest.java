package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.OutsideTools;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Key;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Song;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A small session printed, proved, packed, and unpacked with tools that are not ours. */
final class ParcelTest {
    @TempDir private Path folder;
    private Session session;
    private Path printed;
    private Parcel parcel;

    @BeforeEach
    void print() throws Exception {
        TestRecordings recordings = new TestRecordings(folder);
        Recording wide = recordings.add("wide", 2, 24, 100, 100, -500, -500, 30, 30);
        Recording low = recordings.add("low", 1, 24, 8, 9, 10);
        session = new Session(new Song("Low Tide Waltz", "Salt Harbour Players", 96.0, Meter.parse("3/4"), Key.parse("G major")),
                new SampleRate(48_000), 1_728_000_000L, "2026-05-17", List.of(wide, low),
                List.of(new AudioRow("r1", "Dulcimer pickup", List.of(Clip.whole(wide, 0, 2, 10))),
                        new AudioRow("r2", "Größe: Tuba", List.of(Clip.whole(low, 0, 1, 0))),
                        new AudioRow("r3", "Empty", List.of()), MixRow.DEFAULT));
        Handoff handoff = Handoff.named("Quayside Mix Room").printing(Depth.INT16, null);
        Plan plan = Planner.plan(session, handoff, recordings);
        printed = Files.createDirectories(folder.resolve("printed"));
        Printing.Result result = Printing.print(session, handoff, plan, printed, recordings, 2, WalkObserver.NONE);
        Proof proof = Proving.prove(session, handoff, result, printed, recordings, 2, java.util.Map.of(), new Proving.Told() {
            @Override
            public void read(int index, apodex.proof.FilePicture picture) {}

            @Override
            public void printed(double share) {}
        });
        parcel = new Parcel(session, result.plan(), proof, "Quayside Mix Room");
        parcel.write(printed, folder.resolve("parcel.zip"));
    }

    @Test
    void anOutsideUnzipTakesItAndEveryChecksumHolds() throws Exception {
        assertThat(parcel.zipName()).isEqualTo("Low Tide Waltz_For mixing_v1_48k_16bit_96bpm_Gmaj.zip");
        OutsideTools.run(folder, "unzip", "-q", "parcel.zip", "-d", "unpacked");
        String checked = OutsideTools.run(folder.resolve("unpacked"), "sha256sum", "--strict", "-c", Checksums.FILE_NAME);
        assertThat(checked.lines()).hasSize(4).allMatch(line -> line.endsWith(": OK"))
                .anyMatch(line -> line.startsWith("Tracks/02_Größe- Tuba.wav")).anyMatch(line -> line.startsWith("Session sheet.txt"));
        assertThat(Files.readAllBytes(folder.resolve("unpacked/Reference/00_Reference Mix.wav")))
                .isEqualTo(Files.readAllBytes(printed.resolve("Reference/00_Reference Mix.wav")));
    }

    @Test
    void entriesAreStoredAndTheSameEveryTime() throws Exception {
        try (ZipFile zip = new ZipFile(folder.resolve("parcel.zip").toFile())) {
            assertThat(zip.stream().map(ZipEntry::getName)).containsExactly("Tracks/01_Dulcimer pickup.wav",
                    "Tracks/02_Größe- Tuba.wav", "Reference/00_Reference Mix.wav", "Session sheet.txt", "checksums.sha256");
            assertThat(zip.stream()).allMatch(entry -> entry.getMethod() == ZipEntry.STORED);
        }
        parcel.write(printed, folder.resolve("again.zip"));
        assertThat(Files.readAllBytes(folder.resolve("again.zip"))).isEqualTo(Files.readAllBytes(folder.resolve("parcel.zip")));
    }

    @Test
    void theSheetSaysWhatSoftwareCannotGuess() {
        assertThat(parcel.sheet()).contains("Low Tide Waltz\n==============\n", "Artist      Salt Harbour Players",
                "For         Quayside Mix Room", "Tempo       96 quarter notes a minute", "Meter       3/4", "Key         G major",
                "Format      WAV, 48 kHz, 16-bit", "13 samples)", "1728000000 samples after midnight",
                "02_Größe- Tuba.wav      mono", "Not printed: Empty");
        assertThat(parcel.sheet().replace('\n', ' ')).contains(
                "Dulcimer pickup: Left and right are the same, sample for sample. The left side is taken.",
                "triangular dither of two steps", "No level was normalised", "All one length: 13 samples");
        assertThat(parcel.sheet().lines()).allMatch(line -> line.length() <= 80);
    }
}
