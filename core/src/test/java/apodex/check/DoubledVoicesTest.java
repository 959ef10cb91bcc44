package apodex.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.WalkObserver;
import apodex.signal.WalkedFiles;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DoubledVoicesTest {
    @TempDir
    private Path folder;

    private TestSounds sounds;
    private final List<Recording> recordings = new ArrayList<>();

    @Test
    void theStemIsAsLoudAsTheLoudestVoiceAlone() throws IOException {
        sounds = new TestSounds(folder);
        List<Row> rows = List.of(
                voice("v1", "Lead Voice", 0, 1),
                voice("v2", "Lead Voice Double L", -3, 2),
                voice("v3", "Lead Voice Double R", -6, 3),
                new BusRow("bus", "Leads", Strip.PLAIN),
                MixRow.DEFAULT);
        Session session = new Session(
                Song.titled("Two"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(),
                recordings,
                rows);
        Handoff handoff = Handoff.named("The mixer");
        List<Finding> found = new ArrayList<>();
        new DoubledVoices().look(new Look(session, handoff, sounds), found::add);
        // powers of what is not in step add: 10 log10(1 + 10^-0.3 + 10^-0.6) = 2.43
        assertThat(found).singleElement().satisfies(finding -> assertThat(finding.words())
                .contains("2.4 dB louder"));
        Remedy figure = found.get(0).remedies().get(0);
        Plan plan = Planner.plan(session, figure.adjustment().applyTo(handoff), sounds);
        assertThat(plan.prints())
                .filteredOn(print -> !print.isReference())
                .as("one stereo file in the place of three")
                .singleElement()
                .satisfies(print -> {
                    assertThat(print.row()).isEqualTo("bus");
                    assertThat(print.channels()).isEqualTo(2);
                });
        double stem = energy(session, figure.adjustment().applyTo(handoff), "bus");
        double loudest = energy(session, handoff, "v1");
        assertThat(10 * Math.log10(stem / loudest)).isCloseTo(0, within(0.2));
    }

    private Row voice(String id, String name, double faderDb, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] samples = random.doubles(96_000, -0.2, 0.2).toArray();
        Recording recording = sounds.add(id + ".wav", 1, samples);
        recordings.add(recording);
        return new AudioRow(
                id,
                name,
                List.of(Clip.whole(recording, 0, 1, 0)),
                Strip.feeding("bus").withFader(faderDb, 0));
    }

    /** What comes from a row's first file, of all its sides together. */
    private double energy(Session session, Handoff handoff, String row) throws IOException {
        Plan plan = Planner.plan(session, handoff, sounds);
        Path out = Files.createTempDirectory(folder, "printed");
        Printing.print(session, handoff, plan, out, sounds, 1, WalkObserver.NONE);
        Print print = plan.prints().stream()
                .filter(each -> each.row().equals(row))
                .findFirst()
                .orElseThrow();
        double energy = 0;
        for (double[] side : WalkedFiles.read(out.resolve(print.path()))) {
            for (double sample : side) {
                energy += sample * sample;
            }
        }
        return energy;
    }
}
