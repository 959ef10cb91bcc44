package apodex.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import apodex.audio.FileKind;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundFile;
import apodex.check.Faults.Case;
import apodex.handoff.Brief;
import apodex.handoff.Click;
import apodex.handoff.Handoff;
import apodex.session.Session;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Dynamics;
import apodex.signal.Passage;
import apodex.signal.Returns;
import apodex.signal.Sharing;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import apodex.time.FrameRange;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

final class ChecksTest {
    @TempDir
    private Path folder;

    private Faults faults;
    private List<Case> cases;

    @BeforeEach
    void make() {
        faults = new Faults(folder);
        cases = faults.all();
    }

    @TestFactory
    Stream<DynamicTest> aFaultIsFoundAndANearFaultIsNot() {
        return cases.stream()
                .map(each -> dynamicTest(each.check() + ": " + each.words() + (each.found() ? "" : " (near)"), () -> {
                    List<Finding> found = found(each.check(), each.session(), each.handoff());
                    if (each.found()) {
                        assertThat(found).isNotEmpty().allSatisfy(finding -> {
                            assertThat(finding.words()).endsWith(".").doesNotContain("null");
                            assertThat(each.session().rows())
                                    .extracting(apodex.session.Row::id)
                                    .containsAll(finding.rows());
                        });
                    } else {
                        assertThat(found).isEmpty();
                    }
                }));
    }

    @TestFactory
    Stream<DynamicTest> everyRemedyOnOfferSettlesItsFinding() {
        return cases.stream()
                .filter(Case::found)
                .map(each -> dynamicTest(each.check() + ": " + each.words(), () -> {
                    for (Finding finding : found(each.check(), each.session(), each.handoff())) {
                        for (Remedy remedy : finding.remedies()) {
                            Session session = remedy.edit() == null
                                    ? each.session()
                                    : remedy.edit().applyTo(each.session());
                            Handoff handoff = remedy.adjustment() == null
                                    ? each.handoff()
                                    : remedy.adjustment().applyTo(each.handoff());
                            assertThat(found(each.check(), session, handoff))
                                    .as(remedy.label())
                                    .noneMatch(left -> left.key().equals(finding.key())
                                            && left.severity() == finding.severity()
                                            && !(remedy.label().equals("Use “Take 2”")
                                                    && left.words().contains("“Take 2” is printed")));
                            if (remedy.sound() == Remedy.Sound.STAYS) {
                                assertThat(mix(session))
                                        .as(remedy.label() + " leaves the mix as it was")
                                        .isEqualTo(mix(each.session()));
                            }
                        }
                    }
                }));
    }

    @TestFactory
    Stream<DynamicTest> noCheckStumblesOverAnotherFaultOrOverWhatABriefAdds() {
        return Brief.BUILT_IN.stream()
                .map(brief -> dynamicTest(brief.name(), () -> {
                    for (Case each : cases) {
                        Handoff handoff = each.handoff()
                                .with(brief)
                                .with(each.handoff()
                                        .settings()
                                        .withClick(Click.LAST)
                                        .withLeadIn(2, true));
                        assertThat(Checks.look(look(each.session(), handoff)))
                                .as(each.words())
                                .allSatisfy(finding -> assertThat(each.session().rows())
                                        .extracting(apodex.session.Row::id)
                                        .containsAll(finding.rows()));
                    }
                }));
    }

    @Test
    void everyCheckHasAFaultAndANearFault() {
        Set<String> all = Checks.ALL.stream().map(Check::id).collect(Collectors.toSet());
        assertThat(cases.stream().filter(Case::found).map(Case::check).collect(Collectors.toSet()))
                .isEqualTo(all);
        assertThat(cases.stream().filter(each -> !each.found()).map(Case::check).collect(Collectors.toSet()))
                .isEqualTo(all);
        assertThat(Checks.ALL).hasSameSizeAs(all);
    }

    private Look look(Session session, Handoff handoff) {
        return new Look(session, handoff, faults.sounds);
    }

    private List<Finding> found(String check, Session session, Handoff handoff) {
        List<Finding> found = new ArrayList<>();
        Checks.ALL.stream()
                .filter(each -> each.id().equals(check))
                .forEach(each -> each.look(look(session, handoff), found::add));
        return found;
    }

    /** The reference mix as numbers that order of adding does not change; nothing where it cannot be printed. */
    private List<Long> mix(Session session) throws IOException {
        Path file = Files.createTempFile(folder, "mix", ".wav");
        Files.delete(file);
        FrameRange range = new FrameRange(0, 96_000);
        Tap tap = new Tap(
                "mix",
                Station.FADER,
                Channels.STEREO,
                SampleFormat.FLOAT32,
                session.rate(),
                FileKind.WAV,
                0,
                file,
                null,
                1);
        try {
            new Walk(
                            session,
                            List.of(tap),
                            new Passage(range, 0, Passage.Tail.NONE),
                            new Sharing(Returns.OWN_FILES, Dynamics.IN_PLACE),
                            faults.sounds,
                            1)
                    .print(WalkObserver.NONE);
        } catch (IOException e) {
            return List.of();
        }
        double[][] samples = new double[2][96_000];
        try (PcmReader in = new PcmReader(file, SoundFile.examine(file))) {
            in.read(0, 96_000, 0, samples, 0);
        }
        return Stream.of(samples)
                .flatMap(side -> java.util.Arrays.stream(side).mapToObj(sample -> Math.round(sample * 1e6)))
                .toList();
    }
}
