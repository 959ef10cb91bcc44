package apodex.session;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/**
 * What the front end computes as well, so that a drag answers at once: examples that are written here and read by its tests, so that one
 * cannot drift from the other. What is right is held to theory in {@code TempoMapTest} and beside it.
 */
class GoldenExamplesTest {
    private static final Path KEPT = Path.of("src/test/resources/golden/examples.json");
    private final SplittableRandom random = new SplittableRandom(41);

    record Moment(double quarter, double seconds, int bar) {}

    record BarLine(int bar, double quarter, double seconds) {}

    record Song(TempoMap tempo, List<Moment> moments, List<BarLine> bars) {}

    record Cut(Clip clip, long frames, Clip cut) {}

    record Examples(List<Song> songs, List<Cut> cuts) {}

    @Test
    void theFrontEndIsHeldToWhatIsComputedHere() throws IOException {
        List<Song> songs = new ArrayList<>();
        List<Cut> cuts = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            songs.add(song());
            cuts.add(cut());
        }
        String now = SessionDocument.write(new Examples(songs, cuts)) + "\n";
        if (Boolean.getBoolean("apodex.golden.write")) {
            Files.createDirectories(KEPT.getParent());
            Files.writeString(KEPT, now);
        }
        assertThat(now)
                .as("renew it with: mvn -pl core test -Dtest=GoldenExamplesTest -Dapodex.golden.write=true")
                .isEqualTo(Files.readString(KEPT));
    }

    private Song song() {
        List<TempoChange> tempos = new ArrayList<>(List.of(new TempoChange(0, tempo(), TempoChange.Way.JUMP)));
        for (double quarter = 1 + random.nextInt(8); tempos.size() < 4; quarter += 1 + random.nextInt(12)) {
            tempos.add(new TempoChange(
                    quarter, tempo(), random.nextBoolean() ? TempoChange.Way.GLIDE : TempoChange.Way.JUMP));
        }
        List<MeterChange> meters = new ArrayList<>();
        for (int bar = 1; meters.size() < 3; bar += 1 + random.nextInt(4)) {
            meters.add(new MeterChange(
                    bar,
                    List.of(new Meter(4, 4), new Meter(3, 4), new Meter(6, 8), new Meter(7, 8), new Meter(5, 4))
                            .get(random.nextInt(5))));
        }
        TempoMap map = new TempoMap(tempos, meters);
        List<Moment> moments = new ArrayList<>();
        List<BarLine> bars = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            double quarter = 60 * random.nextDouble();
            moments.add(new Moment(quarter, map.secondsAt(quarter), map.barAt(quarter)));
            int bar = 1 + random.nextInt(16);
            bars.add(new BarLine(bar, map.quarterOfBar(bar), map.secondsAt(map.quarterOfBar(bar))));
        }
        return new Song(map, moments, bars);
    }

    /** Some of them fall on no whole frame, some do. */
    private double tempo() {
        return random.nextBoolean()
                ? List.of(97.0, 113.0, 120.0).get(random.nextInt(3))
                : 40 + 160 * random.nextDouble();
    }

    private Cut cut() {
        long frames = 10 + random.nextInt(1_000);
        long in = random.nextLong(frames);
        long out = random.nextLong(frames - in + 1);
        Clip clip = new Clip("a".repeat(64), 0, 1, random.nextInt(5_000), random.nextInt(500), frames, 0, 0, 0)
                .withFades(new Fade(in, Fade.Curve.SOFT), new Fade(out, Fade.Curve.SLOW));
        long length = 1 + random.nextLong(frames);
        return new Cut(clip, length, clip.cutTo(length));
    }
}
