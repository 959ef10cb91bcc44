package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.OutsideTools;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.SampleRate;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A parcel of only what changed, laid over the one before by somebody who does what its page says, is the new one. */
class DifferenceTest {
    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Recording one;
    private Recording two;

    /** A run: its plan, its proof, and the folder it lies in. */
    private record Run(Session session, Handoff handoff, Plan plan, Proof proof, Path printed) {
        Parcel parcel() {
            return new Parcel(session, handoff, plan, proof, "");
        }
    }

    @BeforeEach
    void record() throws Exception {
        recordings = new TestRecordings(folder);
        one = recordings.add("one", 1, 24, 1_000, -900, 800);
        two = recordings.add("two", 1, 24, 4_000, 500, -600);
    }

    private Run run(String name, Handoff handoff, List<Row> rows) throws Exception {
        List<Row> all = new ArrayList<>(rows);
        all.add(MixRow.DEFAULT);
        Session session = new Session(
                Song.titled("Low Tide Waltz"), new SampleRate(48_000), 0, "2026-05-17", List.of(one, two), all);
        Plan plan = Planner.plan(session, handoff, recordings);
        Path printed = Files.createDirectories(folder.resolve(name));
        Printing.Result result = Printing.print(session, handoff, plan, printed, recordings, 1, WalkObserver.NONE);
        Proof proof = Proving.prove(session, handoff, result, printed, recordings, 1, Map.of(), Proving.Told.NOTHING);
        return new Run(session, handoff, result.plan(), proof, printed);
    }

    private Row row(String id, String name, Recording recording, double faderDb) {
        return new AudioRow(id, name, List.of(Clip.whole(recording, 0, 1, 0)), Strip.PLAIN.withFader(faderDb, 0));
    }

    private static Path unpacked(Run run, ZipPieces zip, Path to) throws Exception {
        Files.createDirectories(to);
        try (InputStream in = zip.open(run.printed())) {
            Files.copy(in, to.resolve("parcel.zip"), StandardCopyOption.REPLACE_EXISTING);
        }
        OutsideTools.run(to, "unzip", "-q", "-o", "parcel.zip");
        OutsideTools.run(to, "sha256sum", "--strict", "-c", "--quiet", Checksums.FILE_NAME);
        return to;
    }

    @Test
    void whatIsDoneAsThePageSaysGivesTheNewParcel() throws Exception {
        Handoff handoff = Handoff.named("Quayside Mix Room");
        Run before = run(
                "before",
                handoff,
                List.of(
                        row("a", "Tuba", one, 0),
                        row("b", "Old Name", two, 0),
                        row("c", "Gone", one, -3),
                        row("d", "Fog", two, -1)));
        Row changed = new AudioRow(
                "d", "Fog", List.of(new Clip(two.sha256(), 0, 1, 0, 0, 3, -2, 0, 0)), Strip.PLAIN.withFader(-1, 0));
        Run now = run(
                "now",
                handoff,
                List.of(row("a", "Tuba", one, 0), row("b", "New Name", two, 0), changed, row("e", "Bell", one, -9)));
        Difference difference = Difference.between("v1", before.plan(), before.proof(), now.plan(), now.proof());
        assertThat(difference.replaced())
                .containsEntry("Tracks/02_New Name.wav", "Tracks/02_Old Name.wav")
                .containsEntry("Tracks/03_Fog.wav", "Tracks/04_Fog.wav")
                .containsEntry("Reference/00_Reference Mix.wav", "Reference/00_Reference Mix.wav")
                .hasSize(3);
        assertThat(difference.added()).containsExactly("Tracks/04_Bell.wav");
        assertThat(difference.gone()).containsExactly("Tracks/03_Gone.wav");
        assertThat(difference.same()).isEqualTo(1);
        assertThat(difference.isWorthIt()).isTrue();

        Path kept = unpacked(before, before.parcel().zips(before.printed()).get(0), folder.resolve("kept"));
        for (String path : difference.gone()) {
            Files.delete(kept.resolve(path));
        }
        for (String path : difference.replaced().values()) {
            Files.delete(kept.resolve(path));
        }
        ZipPieces small = now.parcel().changes(difference, now.printed());
        assertThat(small.name()).isEqualTo(now.plan().name() + "_changes since v1.zip");
        assertThat(small.files()).hasSize(4);
        unpacked(now, small, kept);
        assertThat(Files.readString(kept.resolve("What changed.html")))
                .contains("in the place of Tracks/02_Old Name.wav", "delete it", "on a track of its own");
        Path whole = unpacked(now, now.parcel().zips(now.printed()).get(0), folder.resolve("whole"));
        for (var print : now.plan().prints()) {
            assertThat(Files.mismatch(kept.resolve(print.path()), whole.resolve(print.path())))
                    .as(print.path())
                    .isEqualTo(-1);
        }
    }

    @Test
    void nothingOfUseIsNotMade() throws Exception {
        Handoff handoff = Handoff.named("Quayside Mix Room");
        Run before = run("before", handoff, List.of(row("a", "Tuba", one, 0)));
        assertThat(Difference.between("v1", before.plan(), before.proof(), before.plan(), before.proof())
                        .isWorthIt())
                .as("nothing changed")
                .isFalse();
        Handoff other = handoff.withFiles(List.of(), List.of(new Choice("mix", Station.FADER)));
        Run all = run("all", other, List.of(row("a", "Tuba", two, 0)));
        assertThat(Difference.between("v1", before.plan(), before.proof(), all.plan(), all.proof())
                        .isWorthIt())
                .as("everything changed")
                .isFalse();
        Run noted = run(
                "noted",
                handoff,
                List.of(row("a", "Tuba", one, 0)
                        .withAbout(row("a", "Tuba", one, 0).about().withNote("K39"))));
        assertThat(Difference.between("v1", before.plan(), before.proof(), noted.plan(), noted.proof())
                        .same())
                .as("only what the file says of itself")
                .isEqualTo(2);
    }
}
