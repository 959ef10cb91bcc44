package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SampleFormat;
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
import apodex.signal.Walked.How;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds for any graph of any effects. */
final class GraphPropertiesTest {
    @TempDir
    private Path folder;

    private static List<String> everything(Session session) {
        List<String> points = new ArrayList<>();
        for (Row row : session.rows()) {
            for (Station station : Station.values()) {
                points.add(row.id() + "@" + station.name());
            }
        }
        return points;
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void bytesDependNeitherOnBlocksNorOnThreads(long seed) throws IOException {
        RandomRouting routing = new RandomRouting(seed, folder, effect -> true);
        Session session = routing.make(4);
        SampleFormat depth = seed % 2 == 0 ? SampleFormat.FLOAT32 : SampleFormat.INT16;
        Dynamics dynamics = seed % 3 == 0 ? Dynamics.ALONE : Dynamics.IN_PLACE;
        How how = How.floats(session, Returns.SHARED_OUT, dynamics).depth(depth);
        Walked first = Walked.print(session, routing.recordings, folder, how.crew(1, 2_048), everything(session));
        for (int[] crew : new int[][] {{2, 2_048}, {4, 331}, {3, 8_192}}) {
            Walked other =
                    Walked.print(session, routing.recordings, folder, how.crew(crew[0], crew[1]), everything(session));
            for (int i = 0; i < first.bytes.size(); i++) {
                assertThat(Arrays.mismatch(other.bytes.get(i), first.bytes.get(i)))
                        .as("%s with %s", everything(session).get(i), Arrays.toString(crew))
                        .isEqualTo(-1);
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {11, 12, 13, 14})
    void everySampleIsANumberAndNothingIsWildlyLoud(long seed) throws IOException {
        RandomRouting routing = new RandomRouting(seed, folder, effect -> true);
        Session session = routing.make(5);
        Walked walked = Walked.print(
                session,
                routing.recordings,
                folder,
                How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE),
                everything(session));
        walked.sides.forEach((point, sides) -> {
            for (double[] side : sides) {
                assertThat(Arrays.stream(side).allMatch(sample -> Math.abs(sample) < 1e4))
                        .as(point)
                        .isTrue();
            }
        });
    }

    @Test
    void silenceStaysSilenceThroughEveryEffect() throws IOException {
        RandomRouting routing = new RandomRouting(21, folder, effect -> true);
        Session loud = routing.make(5);
        List<Row> rows = loud.rows().stream()
                .map(row -> row instanceof AudioRow audio
                        ? new AudioRow(row.id(), row.name(), List.of(), audio.strip())
                        : row instanceof apodex.session.InstrumentRow kit
                                ? new apodex.session.InstrumentRow(
                                        kit.id(), kit.name(), kit.instrument(), List.of(), kit.strip())
                                : row)
                .toList();
        Session session = loud.withRows(rows);
        How how = How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE)
                .passage(new Passage(new FrameRange(0, 20_000), 0, Passage.Tail.NONE));
        Walked walked = Walked.print(session, routing.recordings, folder, how, everything(session));
        walked.sides.forEach(
                (point, sides) -> assertThat(sides[0]).as(point).hasSize(20_000).containsOnly(0.0));
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {31, 32, 33, 34})
    void aPartIsTheSameStretchOfTheWholeBitByBit(long seed) throws IOException {
        RandomRouting routing = new RandomRouting(seed, folder, effect -> true);
        Session session = routing.make(4);
        How whole = How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE);
        How part = whole.passage(new Passage(new FrameRange(7_001, 15_010), 1_000, Passage.Tail.NONE));
        Walked all = Walked.print(session, routing.recordings, folder, whole, everything(session));
        Walked some = Walked.print(session, routing.recordings, folder, part, everything(session));
        all.sides.forEach((point, sides) -> {
            double[][] printed = some.sides.get(point);
            for (int c = 0; c < 2; c++) {
                assertThat(printed[c]).as(point).hasSize(1_000 + 8_009);
                assertThat(Arrays.copyOf(printed[c], 1_000))
                        .as("lead-in of " + point)
                        .containsOnly(0.0);
                assertThat(Arrays.copyOfRange(printed[c], 1_000, 9_009))
                        .as(point)
                        .isEqualTo(Arrays.copyOfRange(sides[c], 7_001, 15_010));
            }
        });
    }

    @Test
    void impulsesThroughMixedLatenciesComeOutTogetherEverywhere() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        int at = 5_000;
        double[] impulse = new double[8_000];
        impulse[at] = 0.25;
        Recording recording = recordings.addFloats("impulse", 1, impulse);
        Clip clip = Clip.whole(recording, 0, 1, 0);
        Insert late = Insert.of("limiter", Map.of("lookAheadMs", 7.0));
        Insert later = Insert.of("limiter", Map.of("lookAheadMs", 20.0, "ceilingDb", 0.0));
        Insert keyed = Insert.of("compressor", Map.of("thresholdDb", 0.0)).keyedBy("r1");
        Strip sends = Strip.feeding("b")
                .withSends(
                        List.of(new Send("v", -6, Send.From.AFTER_FADER), new Send("v", -9, Send.From.BEFORE_FADER)));
        List<Row> rows = List.of(
                new AudioRow("r0", "Plain", List.of(clip), sends),
                new AudioRow(
                        "r1",
                        "Late",
                        List.of(clip),
                        sends.withInserts(List.of(late, later)).withOutputs(List.of("b", "c"))),
                new AudioRow(
                        "r2",
                        "Keyed by a later row",
                        List.of(clip),
                        Strip.feeding("c").withInserts(List.of(keyed))),
                new AudioRow("r3", "Clip insert", List.of(clip.withInserts(List.of(late))), Strip.feeding("mix")),
                new BusRow("b", "Bus", Strip.feeding("c").withInserts(List.of(late))),
                new BusRow("c", "Parallel", Strip.feeding("mix").withInserts(List.of(later))),
                new ReturnRow("v", "Return", Strip.feeding("b").withInserts(List.of(late))),
                new MixRow("mix", "Mix", Strip.feeding().withInserts(List.of(late))));
        Session session =
                new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(recording), rows);
        for (Dynamics dynamics : Dynamics.values()) {
            Walked walked = Walked.print(
                    session,
                    recordings,
                    folder,
                    How.floats(session, Returns.SHARED_OUT, dynamics),
                    everything(session));
            walked.sides.forEach((point, sides) -> {
                int loudest = 0;
                for (int i = 0; i < sides[0].length; i++) {
                    loudest = Math.abs(sides[0][i]) > Math.abs(sides[0][loudest]) ? i : loudest;
                }
                assertThat(loudest).as("%s, %s", point, dynamics).isEqualTo(at);
                assertThat(sides[0][at]).as(point).isGreaterThan(0.05);
                for (int i = 0; i < sides[0].length; i++) {
                    assertThat(i == at || Math.abs(sides[0][i]) < 1e-12)
                            .as("%s at %d", point, i)
                            .isTrue();
                }
            });
        }
    }

    @Test
    void anAutomaticTailEndsASecondAfterAllIsQuiet() throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        double[] burst = new double[4_800];
        Arrays.fill(burst, 0.5);
        Recording recording = recordings.addFloats("burst", 1, burst);
        List<Row> rows = List.of(
                new AudioRow("r0", "Dry", List.of(Clip.whole(recording, 0, 1, 0)), Strip.feeding("mix")),
                new AudioRow(
                        "r1",
                        "Echo",
                        List.of(Clip.whole(recording, 0, 1, 0)),
                        Strip.feeding("mix")
                                .withInserts(List.of(Insert.of(
                                        "delay",
                                        Map.of("timeMs", 500.0, "feedbackPercent", 0.0, "mixPercent", 50.0))))),
                MixRow.DEFAULT);
        Session session =
                new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(recording), rows);
        How automatic =
                How.floats(session, Returns.OWN_FILES, Dynamics.IN_PLACE).passage(Passage.whole(session));
        Walked walked =
                Walked.print(session, recordings, folder, automatic, List.of("r0@RAW", "r1@INSERTS", "mix@FADER"));
        // the echo of the last sample comes half a second after it; then a second of quiet
        walked.sides.forEach((point, sides) -> assertThat(sides[0]).as(point).hasSize(4_800 + 24_000 + 48_000));
        Walked dry = Walked.print(session, recordings, folder, automatic, List.of("r0@RAW", "r1@RAW"));
        dry.sides.forEach((point, sides) ->
                assertThat(sides[0]).as("nothing rings at Raw").hasSize(4_800));
    }
}
