package apodex.proof;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Brief;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.handoff.Settings;
import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PartRow;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Routings in which it takes thought which files together are the mix: each is printed and added up. */
class CoverTest {
    private static final Insert SQUASH = Insert.of("compressor", Map.of("thresholdDb", -24.0));
    private static final Insert ECHO = Insert.of("delay", Map.of("timeMs", 120.0, "mixPercent", 100.0));
    private static final Brief INNER =
            new Brief("Inner", Brief.Rows.INNERMOST, Brief.GROUPS.stations(), Brief.GROUPS.settings());

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Recording[] sounds;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        sounds = new Recording[4];
        for (int i = 0; i < sounds.length; i++) {
            Random random = new Random(i);
            sounds[i] = recordings.addFloats(
                    "s" + i, 1, random.doubles(12_000, -0.2, 0.2).toArray());
        }
    }

    private Row track(int index, Strip strip) {
        return new AudioRow(
                "a" + index, "Track " + index, List.of(Clip.whole(sounds[index], 0, 1, 500L * index)), strip);
    }

    /** Prints and adds up; gives the rows that have files, the mix aside. */
    private List<String> filesOf(Brief brief, Row... rows) throws IOException {
        Session session = new Session(
                Song.titled("Cover"), new SampleRate(48_000), 0, "2026-01-01", List.of(sounds), List.of(rows));
        Handoff handoff = Handoff.named("x")
                .with(brief)
                .with(Settings.OPEN
                        .withDepth(Depth.FLOAT32)
                        .withClick(apodex.handoff.Click.NONE)
                        .withLeadIn(0, false));
        Plan plan = Planner.plan(session, handoff, recordings);
        Path out = Files.createTempDirectory(folder, "out");
        Printing.Result printed = Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        Proof proof = Proving.prove(session, handoff, printed, out, recordings, 2, Map.of(), Proving.Told.NOTHING);
        assertThat(proof.verdicts())
                .noneMatch(verdict -> verdict.grade() == Verdict.Grade.WRONG
                        || verdict.headline().startsWith("Not"));
        assertThat(proof.sums()).singleElement().satisfies(sum -> {
            assertThat(sum.whyNot()).isEmpty();
            assertThat(sum.addsUp()).isTrue();
        });
        return plan.prints().stream()
                .filter(print -> !print.isReference())
                .map(Print::row)
                .toList();
    }

    private static Strip sending(Strip strip, String to, Send.From from) {
        return strip.withSends(List.of(new Send(to, -6, from)));
    }

    @Test
    void aRowThatOnlySendsIsInAFileOfItsOwn() throws IOException {
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, Strip.feeding("bus")),
                        track(1, sending(Strip.feeding(), "echo", Send.From.BEFORE_FADER)),
                        new BusRow("bus", "Group", Strip.PLAIN.withInserts(List.of(SQUASH))),
                        new ReturnRow("echo", "Echo", Strip.PLAIN.withInserts(List.of(ECHO))),
                        new MixRow("mix", "Mix", Strip.feeding().withInserts(List.of(SQUASH)))))
                .containsExactly("a1", "bus");
    }

    @Test
    void aRowThatFeedsTheMixAndABusInsideAGroupIsNotThereTwice() throws IOException {
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, Strip.feeding("mix", "inner")),
                        track(1, Strip.feeding("inner")),
                        track(2, Strip.feeding("outer")),
                        new BusRow("inner", "Inner", Strip.feeding("outer").withInserts(List.of(SQUASH))),
                        new BusRow("outer", "Outer", Strip.PLAIN.withInserts(List.of(SQUASH))),
                        new MixRow("mix", "Mix", Strip.feeding())))
                .containsExactly("a0", "a1", "a2");
    }

    @Test
    void aGroupOfGroupsIsOneFileOrTheirs() throws IOException {
        Row[] rows = {
            track(0, Strip.feeding("drums")),
            track(1, Strip.feeding("bass")),
            track(2, Strip.feeding("band")),
            new BusRow("drums", "Drums", Strip.feeding("band").withInserts(List.of(SQUASH))),
            new BusRow("bass", "Bass", Strip.feeding("band")),
            new BusRow("band", "Band", Strip.PLAIN.withInserts(List.of(SQUASH))),
            new MixRow("mix", "Mix", Strip.feeding())
        };
        assertThat(filesOf(Brief.GROUPS, rows)).containsExactly("band");
        assertThat(filesOf(INNER, rows)).containsExactly("a2", "drums", "bass");
    }

    @Test
    void aReturnIntoTheGroupOfItsSenderIsInTheGroupOnce() throws IOException {
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, sending(Strip.feeding("bus"), "echo", Send.From.AFTER_FADER)),
                        track(1, Strip.feeding("bus")),
                        new BusRow("bus", "Group", Strip.PLAIN.withInserts(List.of(SQUASH))),
                        new ReturnRow("echo", "Echo", Strip.feeding("bus").withInserts(List.of(ECHO))),
                        new MixRow("mix", "Mix", Strip.feeding())))
                .containsExactly("bus");
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, sending(Strip.feeding("bus"), "echo", Send.From.AFTER_FADER)),
                        track(1, sending(Strip.PLAIN, "echo", Send.From.AFTER_FADER)),
                        new BusRow("bus", "Group", Strip.PLAIN.withInserts(List.of(SQUASH))),
                        new ReturnRow("echo", "Echo", Strip.feeding("bus").withInserts(List.of(ECHO))),
                        new MixRow("mix", "Mix", Strip.feeding())))
                .as("what another row sends into the group is that row's")
                .containsExactly("a0", "a1");
    }

    @Test
    void aMutedRowIsInTheFilesAsFarAsItSendsBeforeItsFader() throws IOException {
        Row bus = new BusRow("bus", "Group", Strip.PLAIN);
        Row echo = new ReturnRow("echo", "Echo", Strip.PLAIN.withInserts(List.of(ECHO)));
        Row mix = new MixRow("mix", "Mix", Strip.feeding());
        assertThat(filesOf(
                        Brief.FOR_OVERDUBS,
                        track(0, Strip.PLAIN),
                        track(
                                1,
                                sending(Strip.PLAIN, "echo", Send.From.BEFORE_FADER)
                                        .withMuteAndSolo(true, false)),
                        bus,
                        echo,
                        mix))
                .containsExactly("a0", "a1");
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, Strip.feeding("bus")),
                        track(
                                1,
                                sending(Strip.feeding("bus"), "echo", Send.From.BEFORE_FADER)
                                        .withMuteAndSolo(true, false)),
                        bus,
                        echo,
                        mix))
                .containsExactly("bus");
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, Strip.PLAIN),
                        track(
                                1,
                                sending(Strip.feeding("bus"), "echo", Send.From.AFTER_FADER)
                                        .withMuteAndSolo(true, false)),
                        bus,
                        echo,
                        mix))
                .as("nothing of it is heard")
                .containsExactly("a0");
    }

    @Test
    void aMutedRowOfAGroupThatFeedsTheMixAsWellComesWithTheGroup() throws IOException {
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, Strip.feeding("bus")),
                        track(
                                1,
                                sending(Strip.feeding("bus", "mix"), "echo", Send.From.BEFORE_FADER)
                                        .withMuteAndSolo(true, false)),
                        new BusRow("bus", "Group", Strip.PLAIN),
                        new ReturnRow("echo", "Echo", Strip.PLAIN.withInserts(List.of(ECHO))),
                        new MixRow("mix", "Mix", Strip.feeding())))
                .containsExactly("bus");
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, Strip.feeding("bus", "shut")),
                        new BusRow("bus", "Group", Strip.PLAIN),
                        new BusRow("shut", "Muted", Strip.PLAIN.withMuteAndSolo(true, false)),
                        new MixRow("mix", "Mix", Strip.feeding())))
                .as("nothing of a muted group is missed")
                .containsExactly("bus");
        assertThat(filesOf(
                        Brief.GROUPS,
                        track(0, sending(Strip.feeding("shut"), "echo", Send.From.BEFORE_FADER)),
                        track(1, Strip.feeding("bus")),
                        new BusRow(
                                "shut",
                                "Muted",
                                sending(Strip.feeding("bus", "mix"), "echo", Send.From.BEFORE_FADER)
                                        .withMuteAndSolo(true, false)),
                        new BusRow("bus", "Group", Strip.PLAIN),
                        new ReturnRow("echo", "Echo", Strip.PLAIN.withInserts(List.of(ECHO))),
                        new MixRow("mix", "Mix", Strip.feeding())))
                .as("what a muted group and its row send comes with the group around it")
                .containsExactly("bus");
    }

    @Test
    void whatIsSilentMakesNoFileAndIsNotMissed() throws IOException {
        Row mix = new MixRow("mix", "Mix", Strip.feeding());
        assertThat(filesOf(
                        Brief.FOR_OVERDUBS,
                        track(0, Strip.PLAIN),
                        new InstrumentRow("kit", "Kit", "drumKit", List.of(new Note(0, 0.1, 36, 90)), Strip.PLAIN),
                        new PartRow("kick", "Kick", "kit", "kick", Strip.PLAIN),
                        new PartRow("room", "Room", "kit", "room", Strip.PLAIN),
                        new PartRow("snare", "Snare", "kit", "snare", Strip.feeding("bus")),
                        new BusRow("bus", "Only a snare", Strip.PLAIN),
                        new ReturnRow("echo", "Unused", Strip.PLAIN.withInserts(List.of(ECHO))),
                        mix))
                .as("no part but the kick and the room is played")
                .containsExactly("a0", "kick", "room");
    }
}
