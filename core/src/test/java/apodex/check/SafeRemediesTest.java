package apodex.check;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.handoff.Planner;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.session.Together;
import apodex.session.UseTakeFor;
import apodex.time.SampleRate;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What can be taken without listening, and what changes the handoff alone. */
final class SafeRemediesTest {
    private static final Handoff HANDOFF = Handoff.named("The mixer");

    @TempDir
    private Path folder;

    private TestSounds sounds;
    private Session session;

    @BeforeEach
    void begin() {
        sounds = new TestSounds(folder);
        double[] tone = new double[4_800];
        for (int i = 0; i < tone.length; i++) {
            tone[i] = 0.2 * Math.sin(i / 10.0);
        }
        Recording one = sounds.add("one", 1, tone);
        tone[7] += 0.01;
        Recording two = sounds.add("two", 1, tone);
        tone[7] += 0.01;
        Recording three = sounds.add("three", 1, tone);
        session = new Session(
                Song.titled("Low Tide Waltz"),
                new SampleRate(48_000),
                0,
                "2026-05-17",
                List.of(one, two, three),
                List.of(
                        new AudioRow(
                                "a", "kik_final2", List.of(Clip.whole(one, 0, 1, 0)), Strip.PLAIN.withFader(-3, 20)),
                        new AudioRow("b", "Kick", List.of(Clip.whole(two, 0, 1, 0))),
                        new AudioRow("c", "Shaker?", List.of(Clip.whole(three, 0, 1, 0))),
                        MixRow.DEFAULT));
    }

    private List<Finding> findings(Session of) {
        return Checks.look(new Look(of, HANDOFF, sounds));
    }

    @Test
    void oneStepTakesAllThatIsSafeAndNothingThatSounds() {
        Together step = SafeRemedies.of(session, HANDOFF, sounds, Set.of()).orElseThrow();
        Session after = step.applyTo(session);
        assertThat(after.rows()).extracting(Row::name).containsExactly("Kick 1", "Kick 2", "Shaker", "Mix");
        assertThat(after.row("a").orElseThrow().about().note())
                .contains("final2")
                .contains("fader −3.0 dB, pan 20 right");
        assertThat(after.rows())
                .extracting(Row::strip)
                .isEqualTo(session.rows().stream().map(Row::strip).toList());
        assertThat(after.audioRows())
                .extracting(AudioRow::takes)
                .isEqualTo(session.audioRows().stream().map(AudioRow::takes).toList());
        assertThat(findings(after))
                .as("nothing safe is left")
                .noneMatch(finding -> !finding.remedies().isEmpty()
                        && SafeRemedies.isSafe(finding.remedies().get(0)));
        assertThat(SafeRemedies.of(after, HANDOFF, sounds, Set.of())).isEmpty();
    }

    @Test
    void whatSomebodyDecidedToLeaveStays() {
        Set<String> all =
                Set.copyOf(findings(session).stream().map(Finding::key).toList());
        assertThat(SafeRemedies.of(session, HANDOFF, sounds, all)).isEqualTo(Optional.empty());
    }

    @Test
    void anAdjustmentChangesWhatItNamesAndKeepsTheRest() throws Exception {
        Handoff out =
                Adjustment.leavingOut(List.of(new Choice("a", Station.RAW))).applyTo(HANDOFF);
        assertThat(files(out))
                .containsExactly(
                        new Choice("b", Station.RAW), new Choice("c", Station.RAW), new Choice("mix", Station.FADER));
        Handoff more = Adjustment.adding(List.of(new Choice("b", Station.FADER), new Choice("b", Station.RAW)))
                .applyTo(out);
        assertThat(files(more))
                .containsExactlyInAnyOrder(
                        new Choice("b", Station.RAW),
                        new Choice("c", Station.RAW),
                        new Choice("mix", Station.FADER),
                        new Choice("b", Station.FADER));
        assertThat(files(
                        Adjustment.adding(List.of(new Choice("a", Station.RAW))).applyTo(out)))
                .as("and back")
                .isEqualTo(files(HANDOFF));
        Handoff trimmed =
                Adjustment.trimming("a", -4).applyTo(Adjustment.trimming("b", 2).applyTo(out));
        assertThat(trimmed.row("a").trimDb()).isEqualTo(-4.0);
        assertThat(trimmed.row("b").trimDb()).isEqualTo(2.0);
        assertThat(files(trimmed)).isEqualTo(files(out));
        Handoff wide = Adjustment.ofSides("a", Sides.STEREO)
                .applyTo(Adjustment.leadingIn(2).applyTo(HANDOFF));
        assertThat(wide.row("a").sides()).isEqualTo(Sides.STEREO);
        assertThat(wide.settled().leadInBars()).isEqualTo(2);
        assertThat(wide.added())
                .as("what the brief asks for stays its business")
                .isEmpty();
    }

    private List<Choice> files(Handoff handoff) throws Exception {
        return Planner.plan(session, handoff, sounds).prints().stream()
                .map(print -> new Choice(print.row(), print.station()))
                .toList();
    }

    @Test
    void aClippedStretchIsTakenFromACleanTakeInWholeBars() {
        double[] clean = new double[96_000];
        double[] clipped = clean.clone();
        for (int i = 0; i < clean.length; i++) {
            clean[i] = 0.2 * Math.sin(i / 20.0);
            clipped[i] = i >= 30_000 && i < 30_010 ? 1 : clean[i];
        }
        Recording bad = sounds.add("bad", 1, clipped);
        Recording good = sounds.add("good", 1, clean);
        Fade gentle = Fade.straight(480);
        AudioRow row = new AudioRow(
                "v",
                "Voice",
                List.of(
                        new Take(
                                "t1", "Take 1", List.of(Clip.whole(bad, 0, 1, 0).withFades(gentle, gentle))),
                        new Take("t2", "Take 2", List.of(Clip.whole(good, 0, 1, 0)))),
                "t1",
                Strip.PLAIN);
        Session sung = new Session(
                new Song("x", "", 240.0, null, null),
                new SampleRate(48_000),
                0,
                "2026-05-17",
                List.of(bad, good),
                List.of(row, MixRow.DEFAULT));
        Finding finding = findings(sung).stream()
                .filter(each -> each.check().equals("clippedRecording"))
                .findFirst()
                .orElseThrow();
        assertThat(finding.evidence().figures().get(1).value()).isEqualTo("10 samples at bar 1 beat 3");
        assertThat(finding.remedies().get(0).label()).isEqualTo("Use “Take 2” for bar 1");
        assertThat(finding.remedies().get(0).edit())
                .as("a bar of 4/4 at 240 lasts a second")
                .isEqualTo(new UseTakeFor("v", "t2", 0, 48_000));
        assertThat(findings(finding.remedies().get(0).edit().applyTo(sung)))
                .noneMatch(each -> each.check().equals("clippedRecording"));
    }
}
