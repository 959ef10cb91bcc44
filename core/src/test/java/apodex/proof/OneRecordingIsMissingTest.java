package apodex.proof;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One recording that is not here holds up what it is in, and nothing else. */
class OneRecordingIsMissingTest {
    @TempDir
    private Path folder;

    @Test
    void allElseIsPlannedPrintedAndProved() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        Recording here = recordings.add("here", 1, 24, 50_000, -60_000, 70_000, -80_000);
        Recording gone = new Recording("gone", "gone.wav", here.rate(), 1, here.sample(), 4, null, "", null);
        Strip grouped = Strip.feeding("band").withFader(-6, 20);
        Insert keyed = Insert.of("compressor", Map.of("thresholdDb", -20.0)).keyedBy("lost");
        Session session = new Session(
                Song.titled("Low Tide Waltz"),
                new SampleRate(48_000),
                0,
                "2026-05-17",
                List.of(here, gone),
                List.of(
                        new AudioRow("lost", "Lost", List.of(Clip.whole(gone, 0, 1, 0)), grouped),
                        new AudioRow("tuba", "Tuba", List.of(Clip.whole(here, 0, 1, 0)), grouped),
                        new AudioRow(
                                "keyed",
                                "Keyed",
                                List.of(Clip.whole(here, 0, 1, 0)),
                                Strip.PLAIN.withInserts(List.of(keyed))),
                        new BusRow("band", "Band", Strip.PLAIN.withFader(-3, 0)),
                        MixRow.DEFAULT));
        Handoff handoff = Handoff.named("The mixer")
                .with(Brief.FOR_MIXING)
                .withFiles(List.of(new Choice("tuba", Station.BUS), new Choice("band", Station.RAW)), List.of());
        Plan plan = Planner.plan(session, handoff, recordings);
        assertThat(plan.prints())
                .extracting(print -> print.row() + " " + print.station())
                .containsExactly("tuba RAW");
        assertThat(plan.rows().stream().filter(row -> row.unmade() != null))
                .extracting(PlanRow::row)
                .containsExactly("lost", "keyed", "band", "mix");
        assertThat(plan.rows().get(3).unmade()).contains("gone.wav", "“Lost”");
        assertThat(plan.rows().get(1).stations()).containsExactly(Station.RAW, Station.FADER);

        Path out = Files.createDirectory(folder.resolve("out"));
        Printing.Result printed = Printing.print(session, handoff, plan, out, recordings, 1, WalkObserver.NONE);
        Proof proof = Proving.prove(session, handoff, printed, out, recordings, 1, Map.of(), Proving.Told.NOTHING);
        assertThat(proof.files()).hasSize(1);
        assertThat(proof.verdicts())
                .allSatisfy(verdict -> assertThat(verdict.grade()).isIn(Verdict.Grade.GOOD, Verdict.Grade.FACT));
    }
}
