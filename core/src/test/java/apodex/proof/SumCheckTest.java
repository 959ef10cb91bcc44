package apodex.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.OutsideTools;
import apodex.handoff.Brief;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.handoff.Section;
import apodex.handoff.Settings;
import apodex.handoff.Stretch;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files that add up, and files that outside tools spoilt: removed, doubled, shifted by a frame, turned, turned down. */
class SumCheckTest {
    private static final SampleRate RATE = new SampleRate(48_000);

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Session session;
    private Path out;
    private Printing.Result printed;
    private Handoff handoff;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        List<Recording> made = List.of(
                noise("one", 1, 1),
                noise("two", 2, 2),
                noise("three", 1, 3),
                noise("four", 1, 4),
                recordings.addFloats("nothing", 1, new double[48_000]));
        List<Row> rows = List.of(
                new AudioRow(
                        "a",
                        "Alto",
                        List.of(Clip.whole(made.get(0), 0, 1, 100)),
                        Strip.feeding("bus").withFader(-4, 30).withSends(List.of(new Send("hall", -9, null)))),
                new AudioRow(
                        "b",
                        "Band",
                        List.of(Clip.whole(made.get(1), 0, 2, 7_000)),
                        Strip.feeding("bus").withFader(-6, -10)),
                new AudioRow(
                        "c",
                        "Cello",
                        List.of(Clip.whole(made.get(2), 0, 1, 0)),
                        Strip.PLAIN.withFader(-5, 0).withSends(List.of(new Send("hall", -3, null)))),
                new AudioRow(
                        "d", "Drone", List.of(Clip.whole(made.get(3), 0, 1, 30_000)), Strip.PLAIN.withFader(-8, -40)),
                new AudioRow(
                        "e",
                        "Empty room",
                        List.of(Clip.whole(made.get(4), 0, 1, 0)),
                        Strip.PLAIN.withSends(List.of(new Send("hall", -3, null)))),
                new BusRow(
                        "bus",
                        "Group",
                        Strip.PLAIN.withInserts(List.of(Insert.of("compressor", Map.of("thresholdDb", -20.0))))),
                new ReturnRow(
                        "hall",
                        "Hall",
                        Strip.PLAIN.withInserts(
                                List.of(Insert.of("hallReverb", Map.of("decaySeconds", 0.4, "mixPercent", 100.0))))),
                new MixRow(
                        "mix",
                        "Mix",
                        Strip.feeding().withInserts(List.of(Insert.of("compressor", Map.of("thresholdDb", -14.0))))));
        session = new Session(new Song("Sums", "", 120.0, Meter.FOUR_FOUR, null), RATE, 0, "2026-01-01", made, rows);
    }

    private Recording noise(String name, int channels, int seed) throws IOException {
        Random random = new Random(seed);
        double[] samples = new double[48_000 * channels];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = 0.3 * (2 * random.nextDouble() - 1);
        }
        return recordings.addFloats(name, channels, samples);
    }

    private Proof print(Handoff wanted) throws IOException {
        handoff = wanted;
        out = Files.createTempDirectory(folder, "out");
        Plan plan = Planner.plan(session, handoff, recordings);
        printed = Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        return prove();
    }

    private Proof prove() throws IOException {
        return Proving.prove(session, handoff, printed, out, recordings, 2, Map.of(), Proving.Told.NOTHING);
    }

    private static Handoff rowsAtMix(Depth depth) {
        return Handoff.named("x")
                .printing(
                        depth,
                        List.of(
                                new Choice("a", Station.MIX),
                                new Choice("b", Station.MIX),
                                new Choice("c", Station.MIX),
                                new Choice("d", Station.MIX),
                                new Choice("hall", Station.MIX),
                                new Choice("mix", Station.FADER)));
    }

    @Test
    void groupsAndRowsAddUpHoweverReturnsAreTreated() throws IOException {
        Proof groups = print(Handoff.named("x").with(Brief.GROUPS).with(Settings.OPEN.withDepth(Depth.FLOAT32)));
        assertAddsUp(groups, 3);
        assertAddsUp(print(rowsAtMix(Depth.FLOAT32)), 5);
        Proof coarse = print(rowsAtMix(Depth.INT16));
        assertAddsUp(coarse, 5);
        assertThat(coarse.sums().get(0).peakDbfs())
                .as("what dither and rounding of six files leave")
                .isBetween(-95.0, -75.0);
        assertThat(coarse.received().get(0).same()).isTrue();
        Proof shared = print(rowsAtMix(Depth.FLOAT32)
                .withFiles(
                        List.of(
                                new Choice("a", Station.MIX),
                                new Choice("b", Station.MIX),
                                new Choice("c", Station.MIX),
                                new Choice("d", Station.MIX),
                                new Choice("mix", Station.FADER)),
                        List.of())
                .with(Settings.OPEN.withDepth(Depth.FLOAT32).withSharing(Returns.SHARED_OUT, null)));
        assertAddsUp(shared, 4);
    }

    private static void assertAddsUp(Proof proof, int files) {
        SumProof sum = proof.sums().get(0);
        assertThat(sum.whyNot()).isEmpty();
        assertThat(sum.addsUp())
                .as("%s left of %s, %s", sum.peakDbfs(), sum.files(), sum.culprits())
                .isTrue();
        assertThat(sum.files()).hasSize(files);
        assertThat(proof.received().get(0)).satisfies(received -> {
            assertThat(received.against()).isEqualTo("the reference mix");
            assertThat(received.same()).as("%s", received).isTrue();
        });
        assertThat(proof.verdicts()).allMatch(verdict -> verdict.grade() == Verdict.Grade.GOOD);
    }

    @Test
    void everySpoiltFileIsFoundByName() throws Exception {
        assertAddsUp(print(rowsAtMix(Depth.FLOAT32)), 5);
        Path cello = out.resolve("Wet/03_Cello_via Mix.wav");
        Path drone = out.resolve("Wet/04_Drone_via Mix.wav");
        Path saved = Files.copy(cello, folder.resolve("saved.wav"));
        Files.delete(cello);
        assertCulprit(Culprit.Kind.MISSING, "03_Cello_via Mix.wav");
        assertThat(prove().verdicts())
                .anyMatch(verdict -> verdict.headline().equals("03_Cello_via Mix.wav is not on the disk")
                        && verdict.detail().contains("not on the disk"));
        spoil(saved, cello, "vol", "2");
        assertCulprit(Culprit.Kind.TWICE, "03_Cello_via Mix.wav");
        spoil(saved, cello, "vol", "-1");
        assertCulprit(Culprit.Kind.TURNED, "03_Cello_via Mix.wav");
        spoil(saved, cello, "pad", "1s@0s", "trim", "0", Files.size(saved) > 0 ? frames() + "s" : "");
        assertCulprit(Culprit.Kind.SHIFTED, "03_Cello_via Mix.wav");
        assertThat(prove().sums().get(0).culprits().get(0).amount()).isEqualTo(1);
        spoil(saved, cello, "vol", "-1.5dB");
        assertCulprit(Culprit.Kind.LEVEL, "03_Cello_via Mix.wav");
        assertThat(prove().sums().get(0).culprits().get(0).amount()).isCloseTo(-1.5, within(0.01));
        Files.copy(saved, cello, StandardCopyOption.REPLACE_EXISTING);
        spoil(drone, drone, "vol", "-1");
        assertCulprit(Culprit.Kind.TURNED, "04_Drone_via Mix.wav");
        assertThat(prove().verdicts())
                .filteredOn(verdict -> verdict.grade() != Verdict.Grade.GOOD)
                .as("the first cause is named, once")
                .singleElement()
                .satisfies(fault -> assertThat(fault.files()).containsExactly("Wet/04_Drone_via Mix.wav"));
    }

    private long frames() {
        return printed.plan().frames();
    }

    private void spoil(Path from, Path to, String... effect) throws Exception {
        Path made = folder.resolve("spoilt.wav");
        java.util.List<String> command =
                new java.util.ArrayList<>(List.of("sox", "-D", from.toString(), made.toString()));
        java.util.stream.Stream.of(effect).filter(each -> !each.isEmpty()).forEach(command::add);
        OutsideTools.run(folder, command.toArray(String[]::new));
        Files.move(made, to, StandardCopyOption.REPLACE_EXISTING);
    }

    private void assertCulprit(Culprit.Kind kind, String file) throws IOException {
        SumProof sum = prove().sums().get(0);
        assertThat(sum.addsUp()).isFalse();
        assertThat(sum.culprits().get(0).kind()).as("%s", sum.culprits()).isEqualTo(kind);
        assertThat(sum.culprits().get(0).name()).isEqualTo(file);
    }

    @Test
    void aBusBesideItsMembersAndAMissingRowAreNamed() throws IOException {
        Proof doubled = print(rowsAtMix(Depth.FLOAT32)
                .withFiles(
                        List.of(
                                new Choice("a", Station.MIX),
                                new Choice("b", Station.MIX),
                                new Choice("c", Station.MIX),
                                new Choice("bus", Station.MIX),
                                new Choice("hall", Station.MIX),
                                new Choice("mix", Station.FADER)),
                        List.of()));
        SumProof sum = doubled.sums().get(0);
        assertThat(sum.whyNot()).isEqualTo("Drone has no file");
        assertThat(sum.missing()).containsExactly("Drone");
        assertThat(doubled.verdicts())
                .filteredOn(verdict -> verdict.grade() != Verdict.Grade.GOOD)
                .singleElement()
                .satisfies(fact -> {
                    assertThat(fact.grade()).isEqualTo(Verdict.Grade.FACT);
                    assertThat(fact.headline()).isEqualTo("Not meant to add up");
                });
        Proof groups = print(rowsAtMix(Depth.FLOAT32)
                .withFiles(
                        List.of(
                                new Choice("a", Station.MIX),
                                new Choice("b", Station.MIX),
                                new Choice("c", Station.MIX),
                                new Choice("d", Station.MIX),
                                new Choice("bus", Station.MIX),
                                new Choice("hall", Station.MIX),
                                new Choice("mix", Station.FADER)),
                        List.of()));
        assertThat(groups.sums().get(0).addsUp()).isTrue();
        assertThat(groups.sums().get(0).files())
                .as("of a bus and its members the bus is taken")
                .containsExactly(
                        "Wet/03_Cello_via Mix.wav",
                        "Wet/04_Drone_via Mix.wav",
                        "Groups/06_Group.wav",
                        "Returns/07_Hall.wav");
    }

    @Test
    void rawFilesAreHeldAgainstTheSessionsOwnRows() throws IOException {
        session = session.withRow(
                "d",
                row -> row.withStrip(row.strip()
                        .withInserts(List.of(
                                Insert.of("lowCut", Map.of("frequencyHz", 90.0)).keep()))));
        Handoff mixing = Handoff.named("x")
                .withSections(List.of(new Section("A", stretch(0, 0.7)), new Section("B", stretch(0.25, 1.2))))
                .with(Settings.OPEN.withLeadIn(1, null))
                .withRow("c", row -> row.withTrim(-3.0));
        Proof proof = print(mixing);
        assertThat(proof.sums())
                .extracting(SumProof::whyNot)
                .containsOnly("Alto, Band, Cello and 1 more stand before the mix, Hall has no file");
        assertThat(proof.received()).hasSize(2).allSatisfy(received -> {
            assertThat(received.same()).as("%s", received).isTrue();
            assertThat(received.files()).hasSize(4);
        });
        assertThat(proof.verdicts())
                .anySatisfy(verdict -> {
                    assertThat(verdict.headline()).isEqualTo("All in place");
                    assertThat(verdict.detail()).contains("to the sample");
                })
                .allMatch(verdict -> verdict.grade() == Verdict.Grade.GOOD || verdict.grade() == Verdict.Grade.FACT);
    }

    private static Stretch stretch(double from, double to) {
        return new Stretch(
                new Stretch.Point(Stretch.CountedIn.SECONDS, from), new Stretch.Point(Stretch.CountedIn.SECONDS, to));
    }

    @Test
    void filesThatAreNotMeantToAddUpAreNotAskedTo() throws IOException {
        assertThat(print(rowsAtMix(Depth.FLOAT32).with(Settings.OPEN.withSharing(null, Dynamics.ALONE)))
                        .sums()
                        .get(0)
                        .whyNot())
                .contains("alone");
        assertThat(print(rowsAtMix(Depth.FLOAT32).with(Settings.OPEN.withSharing(Returns.LEFT_OUT, null)))
                        .sums()
                        .get(0)
                        .whyNot())
                .contains("left out");
        assertThat(print(rowsAtMix(Depth.FLOAT32).withFiles(List.of(new Choice("a", Station.MIX)), List.of()))
                        .sums()
                        .get(0)
                        .whyNot())
                .contains("no reference mix");
    }

    @Test
    void twinsAreFoundWithAGainOrATurnBetweenThem() throws IOException {
        session = session.withRows(List.of(
                new AudioRow(
                        "a", "Alto", List.of(Clip.whole(session.recordings().get(0), 0, 1, 0)), Strip.PLAIN),
                new AudioRow(
                        "b", "Same", List.of(Clip.whole(session.recordings().get(0), 0, 1, 0)), Strip.PLAIN),
                new AudioRow(
                        "c",
                        "Turned",
                        List.of(turned(Clip.whole(session.recordings().get(0), 0, 1, 0), -2)),
                        Strip.PLAIN),
                new AudioRow(
                        "d", "Other", List.of(Clip.whole(session.recordings().get(2), 0, 1, 0)), Strip.PLAIN),
                session.mix()));
        List<FileProof> files = print(Handoff.named("x")
                        .printing(
                                Depth.INT24,
                                List.of(
                                        new Choice("a", Station.RAW),
                                        new Choice("b", Station.RAW),
                                        new Choice("c", Station.RAW),
                                        new Choice("d", Station.RAW))))
                .files();
        assertThat(files.get(0).like()).isNull();
        assertThat(files.get(1).like().words()).isEqualTo("sample for sample");
        assertThat(files.get(2).like().words()).isEqualTo("with its polarity turned and 2.0 dB quieter");
        assertThat(files.get(2).like().file()).isEqualTo("Tracks/01_Alto.wav");
        assertThat(files.get(3).like()).isNull();
    }

    private static Clip turned(Clip clip, double gainDb) {
        return new Clip(
                clip.recording(),
                clip.firstChannel(),
                clip.channels(),
                clip.position(),
                clip.offset(),
                clip.frames(),
                gainDb,
                clip.fadeIn(),
                clip.fadeOut(),
                List.of(),
                false,
                true);
    }
}
