package apodex.demo;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SampleFormat;
import apodex.check.Checks;
import apodex.check.Finding;
import apodex.check.Look;
import apodex.check.Remedy;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.Planner;
import apodex.intake.RecordingStore;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.Session;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class LowTideWaltzTest {
    private static Session session;
    private static RecordingStore store;

    @TempDir
    private static Path folder;

    @BeforeAll
    static void record() throws Exception {
        store = new RecordingStore(folder.resolve("store"));
        session = LowTideWaltz.record(store, Files.createDirectories(folder.resolve("work")));
    }

    @Test
    void isTheSongThatIsPromised() {
        assertThat(session.song().title()).isEqualTo("Low Tide Waltz");
        assertThat(session.song().artist()).isEqualTo("Salt Harbour Players");
        assertThat(session.song().tempo()).isEqualTo(96.0);
        assertThat(session.song().meter().written()).isEqualTo("3/4");
        assertThat(session.song().key().written()).isEqualTo("G major");
        assertThat(session.rate().seconds(session.frames())).isBetween(71.0, 78.0);
        assertThat(session.audioRows()).hasSizeGreaterThanOrEqualTo(14);
        assertThat(session.recordings()).allMatch(recording -> recording.timeReference() != null);
        assertThat(session.recordings())
                .filteredOn(recording -> !recording.fileName().startsWith("clk"))
                .allMatch(recording -> recording.sample() == SampleFormat.INT24
                        && recording.rate().hertz() == 48_000);
    }

    @Test
    void hasGapsAndRowsOfSeveralClips() {
        assertThat(session.audioRows())
                .filteredOn(row -> row.clips().size() > 1)
                .hasSizeGreaterThan(8);
        assertThat(session.audioRows()).filteredOn(LowTideWaltzTest::hasGap).hasSizeGreaterThan(5);
    }

    @Test
    void hasOneOfEveryFaultTheLaterViewsShow() throws Exception {
        Plan plan = Planner.plan(session, Handoff.named("test"), store);
        assertThat(plan.rows())
                .filteredOn(row -> row.image() == StereoImage.Kind.SAME_ON_BOTH_SIDES)
                .extracting(PlanRow::name)
                .containsExactly("Dulcimer pickup");
        assertThat(plan.rows())
                .filteredOn(row -> row.peakDbfs() != null && row.peakDbfs() < -60)
                .extracting(PlanRow::name)
                .containsExactly("spare mic");
        assertThat(plan.rows())
                .filteredOn(row -> row.peakDbfs() != null && row.peakDbfs() > -0.001)
                .extracting(PlanRow::name)
                .containsExactly("frame drum CLIPS??");
        assertThat(printedOvers(plan))
                .as("the sum of all rows stays below full scale")
                .containsOnly(0L);
    }

    /** One set for each kind of fault that is looked for, by the order in which people look for them. */
    private static final List<Set<String>> KINDS = List.of(
            Set.of("goesNowhere", "unusedReturn"),
            Set.of("nothingInIt", "nearlySilent", "mutedWithContent"),
            Set.of("nameSaysNothing", "nameCarriesLeftovers", "nameForbidden", "rowOrder"),
            Set.of("clippedRecording", "truePeakOver", "levelForMixer"),
            Set.of("reallyMono"),
            Set.of("leftOutOfRaw", "keptTail", "dryTwin"),
            Set.of("doubledMembers"),
            Set.of("clickingEdge", "tinyGap", "endCut", "dcOffset"),
            Set.of("takesNotChosen", "clipInsertsLeftOff"),
            Set.of("mixedRates", "mixedDepths", "unknownEffect"),
            Set.of("noRoomBefore"),
            Set.of("clickAndGuide"),
            Set.of("sharedInserts"));

    @Test
    void startsWithEveryKindOfFaultAndCanBeMadeReady() throws Exception {
        for (var recording : session.recordings()) {
            store.measure(recording.sha256());
        }
        Session now = session;
        Handoff handoff = LowTideWaltz.handoff(session);
        List<Finding> findings = Checks.look(new Look(now, handoff, store));
        assertThat(findings)
                .extracting(Finding::check)
                .containsAll(KINDS.stream().flatMap(Set::stream).toList());
        for (int step = 0;
                step < 100
                        && findings.stream()
                                .anyMatch(finding -> !finding.remedies().isEmpty());
                step++) {
            Remedy remedy = findings.stream()
                    .filter(finding -> !finding.remedies().isEmpty())
                    .findFirst()
                    .orElseThrow()
                    .remedies()
                    .get(0);
            now = remedy.edit() == null ? now : remedy.edit().applyTo(now);
            handoff =
                    remedy.adjustment() == null ? handoff : remedy.adjustment().applyTo(Planner.without(now, handoff));
            findings = Checks.look(new Look(now, handoff, store));
        }
        assertThat(findings)
                .as("what is left is only to know, or to be named by a person")
                .extracting(Finding::check)
                .isSubsetOf("mixedDepths", "nameSaysNothing");
    }

    @Test
    void isTheSameEveryTime() throws Exception {
        RecordingStore another = new RecordingStore(folder.resolve("again"));
        Session again = LowTideWaltz.record(another, Files.createDirectories(folder.resolve("work2")));
        assertThat(again).isEqualTo(session);
    }

    private static List<Long> printedOvers(Plan plan) throws Exception {
        Path out = Files.createDirectories(folder.resolve("printed"));
        return apodex.handoff.Printing.print(
                        session, Handoff.named("test"), plan, out, store, 2, apodex.signal.WalkObserver.NONE)
                .prints()
                .stream()
                .map(apodex.handoff.Printing.Made::overs)
                .toList();
    }

    private static boolean hasGap(AudioRow row) {
        for (int i = 1; i < row.clips().size(); i++) {
            if (row.clips().get(i).position() > row.clips().get(i - 1).range().end()) {
                return true;
            }
        }
        return false;
    }
}
