package apodex.check;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Handoff;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.time.SampleRate;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SharedFaultTest {
    @TempDir
    private Path folder;

    private TestSounds sounds;
    private final Handoff handoff = Handoff.named("The mixer");

    /** Rows at some peak, each a sound of its own. */
    private Session hot(int rows) {
        sounds = new TestSounds(folder);
        List<Recording> recordings = new ArrayList<>();
        List<Row> all = new ArrayList<>();
        for (int i = 0; i < rows; i++) {
            double level = 0.6 + 0.05 * i;
            Recording recording = sounds.add(
                    "hot" + i,
                    1,
                    new SplittableRandom(i).doubles(9_600, -level, level).toArray());
            recordings.add(recording);
            all.add(new AudioRow("r" + i, "Tuba " + i, List.of(Clip.whole(recording, 0, 1, 0)), Strip.PLAIN));
        }
        all.add(MixRow.DEFAULT);
        return new Session(
                Song.titled("Hot"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(),
                recordings,
                all);
    }

    private List<Finding> found(Session session, Handoff how) {
        return Checks.look(new Look(session, how, sounds)).stream()
                .filter(finding -> finding.check().equals("levelForMixer"))
                .toList();
    }

    @Test
    void whatManyRowsHaveIsToldOnceAndPutRightAtOnce() {
        Session session = hot(5);
        List<Finding> each = found(session, handoff);
        assertThat(each).hasSize(5);
        List<SharedFault> shared = SharedFault.of(session, each);
        assertThat(shared).singleElement().satisfies(one -> {
            assertThat(one.parts()).isEqualTo(each);
            assertThat(one.finding().rows()).containsExactly("r0", "r1", "r2", "r3", "r4");
            assertThat(one.finding().words()).startsWith("5 rows: Tuba 0, Tuba 1, Tuba 2 and 2 more.");
            assertThat(one.finding().evidence().figures())
                    .extracting(Evidence.Figure::what)
                    .containsExactlyElementsOf(
                            IntStream.range(0, 5).mapToObj(i -> "Tuba " + i).toList());
            Handoff after = one.finding().remedies().get(0).adjustment().applyTo(handoff);
            assertThat(found(session, after)).isEmpty();
            // each by its own figure, from its own peak to -12 dBFS in half decibels
            for (int i = 0; i < 5; i++) {
                double down = -12 - 20 * Math.log10(0.6 + 0.05 * i);
                assertThat(after.row("r" + i).trimDb()).isEqualTo(Math.rint(2 * down) / 2);
            }
        });
    }

    @Test
    void whatIsOneFindingOfManyRowsAlreadyStaysAsItIs() {
        Session session = hot(4);
        Session panned = session.withRows(session.rows().stream()
                .map(row -> row.withStrip(row.strip().withFader(-3, 20)))
                .toList());
        List<Finding> leftOut = Checks.look(new Look(panned, handoff, sounds)).stream()
                .filter(finding -> finding.check().equals("leftOutOfRaw"))
                .toList();
        assertThat(leftOut).hasSize(1);
        assertThat(SharedFault.of(panned, leftOut)).containsExactly(new SharedFault(leftOut.get(0), leftOut));
    }

    @Test
    void twoAreToldOneByOne() {
        Session session = hot(2);
        List<Finding> each = found(session, handoff);
        assertThat(SharedFault.of(session, each).stream().map(SharedFault::finding))
                .isEqualTo(each);
    }
}
