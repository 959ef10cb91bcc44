package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SampleFormat;
import apodex.session.BusRow;
import apodex.session.MixRow;
import apodex.session.ReturnRow;
import apodex.session.Session;
import apodex.signal.Walked.How;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The files add up: what rows, or rows and returns, come to at Bus and Mix is the mix. */
final class SumTest {
    @TempDir
    private Path folder;

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {101, 102, 103, 104, 105, 106})
    void ofALinearSessionEveryFileAtBusAndAtMixSumsToTheMix(long seed) throws IOException {
        RandomRouting routing = new RandomRouting(seed, folder, RandomRouting::isLinear);
        assertSums(routing.make(5), routing, Returns.SHARED_OUT, -140);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {201, 202, 203, 204, 205, 206, 207, 208, 209, 210})
    void withAnyEffectsInPlaceTheySumAsWell(long seed) throws IOException {
        RandomRouting routing = new RandomRouting(seed, folder, effect -> true);
        Session session = routing.make(5);
        assertSums(session, routing, Returns.SHARED_OUT, -140);
        assertSums(session, routing, Returns.OWN_FILES, -140);
    }

    private void assertSums(Session session, RandomRouting routing, Returns returns, double mostDbfs)
            throws IOException {
        List<String> door = sources(session, "BUS", returns);
        List<String> mix = sources(session, "MIX", returns);
        List<String> all = new ArrayList<>(door);
        all.addAll(mix);
        all.addAll(List.of("mix@RAW", "mix@FADER"));
        Walked walked =
                Walked.print(session, routing.recordings, folder, How.floats(session, returns, Dynamics.IN_PLACE), all);
        assertThat(walked.rmsDbfs("mix@FADER"))
                .as("there is something to add up to")
                .isGreaterThan(-60);
        assertThat(walked.leftoverDbfs(door, "mix@RAW")).as("at the mix's door").isLessThan(mostDbfs);
        assertThat(walked.leftoverDbfs(mix, "mix@FADER")).as("through the mix").isLessThan(mostDbfs);
    }

    @Test
    void fortyFilesOf24BitsSumTo125() throws IOException {
        RandomRouting routing = new RandomRouting(301, folder, effect -> true);
        Session session = routing.make(37);
        List<String> mix = sources(session, "MIX", Returns.SHARED_OUT);
        assertThat(mix).hasSize(40);
        List<String> all = new ArrayList<>(mix);
        all.add("mix@FADER");
        Walked walked = Walked.print(
                session,
                routing.recordings,
                folder,
                How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE).depth(SampleFormat.INT24),
                all);
        System.out.printf("40 files of 24 bits leave %.1f dBFS RMS%n", walked.leftoverDbfs(mix, "mix@FADER"));
        assertThat(walked.leftoverDbfs(mix, "mix@FADER")).isLessThan(-125);
    }

    @Test
    void aloneTheyDoNotAddUp() throws IOException {
        RandomRouting routing = new RandomRouting(202, folder, effect -> true);
        Session session = SumSession.compressed(routing.make(5));
        List<String> mix = sources(session, "MIX", Returns.SHARED_OUT);
        List<String> all = new ArrayList<>(mix);
        all.add("mix@FADER");
        double inPlace = Walked.print(
                        session,
                        routing.recordings,
                        folder,
                        How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE),
                        all)
                .leftoverDbfs(mix, "mix@FADER");
        double alone = Walked.print(
                        session,
                        routing.recordings,
                        folder,
                        How.floats(session, Returns.SHARED_OUT, Dynamics.ALONE),
                        all)
                .leftoverDbfs(mix, "mix@FADER");
        System.out.printf(
                "compressor, saturator, limiter and hall on bus and mix: in place %.1f, alone %.1f dBFS RMS left%n",
                inPlace, alone);
        assertThat(inPlace).isLessThan(-140);
        assertThat(alone).isGreaterThan(-60);
    }

    /** What must be added: audio, instrument and part rows; returns too when they are files of their own. */
    static List<String> sources(Session session, String station, Returns returns) {
        return session.rows().stream()
                .filter(row -> !(row instanceof MixRow) && !(row instanceof BusRow))
                .filter(row -> !(row instanceof ReturnRow) || returns == Returns.OWN_FILES)
                .map(row -> row.id() + "@" + station)
                .toList();
    }
}
