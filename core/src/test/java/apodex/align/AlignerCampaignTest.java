package apodex.align;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.align.Sighting.Certainty;
import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Dry tracks of made-up mixes, treated as files are that come without a stamp: every place that is called sure must be the true
 * one to the sample, and what is not in the mix must not be found. {@code -Dapodex.align.from=1 -Dapodex.align.cases=1000} makes a long run.
 */
@Execution(ExecutionMode.CONCURRENT)
class AlignerCampaignTest {
    private static final long FROM = Long.getLong("apodex.align.from", 1);
    private static final long CASES = Long.getLong("apodex.align.cases", 24);
    /** Of what can be found, so much must be called sure: a tool that is never sure is no help. */
    private static final double LEAST_SURE = 0.6;

    private static final Map<Treatment, AtomicInteger> SURE = new ConcurrentHashMap<>();
    private static final Map<Treatment, AtomicInteger> TRIED = new ConcurrentHashMap<>();
    private static final AtomicInteger TOLD_DRIFT = new AtomicInteger();

    /** What happened to a track before it came. */
    enum Treatment {
        CUT_AT_THE_START,
        STARTED_BEFORE_THE_MIX,
        TURNED,
        OTHER_RATE,
        WRONG_HEADER,
        DRIFTED,
        NOISY_AND_SHORT,
        NOT_IN_THE_MIX
    }

    @TempDir
    private Path folder;

    static LongStream seeds() {
        return LongStream.range(FROM, FROM + CASES);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void sureIsTrueToTheSample(long seed) throws IOException {
        SplittableRandom random = new SplittableRandom(seed);
        Treatment treatment = Treatment.values()[(int) (seed % Treatment.values().length)];
        MadeUpSong song = new MadeUpSong(random);
        int which = random.nextInt(song.tracks.size());
        double[] track = song.tracks.get(which);
        double[] mix = song.mix;
        int cut = random.nextInt(song.frames / 2);
        long expected = cut;
        int hertz = MadeUpSong.HERTZ;
        double ppm = 0;
        double[] came = Arrays.copyOfRange(track, cut, track.length);
        switch (treatment) {
            case STARTED_BEFORE_THE_MIX -> {
                came = track;
                mix = Arrays.copyOfRange(mix, cut, mix.length);
                expected = -cut;
            }
            case TURNED -> came = Arrays.stream(came).map(sample -> -sample).toArray();
            case OTHER_RATE -> {
                hertz = 44_100;
                came = Resampled.by(came, 44_100.0 / 48_000);
            }
            case WRONG_HEADER -> came = Resampled.by(came, 44_100.0 / 48_000);
            case DRIFTED -> {
                ppm = random.nextInt(10, 100) * (random.nextBoolean() ? 1 : -1);
                came = Resampled.by(came, 1 + ppm / 1e6);
            }
            case NOISY_AND_SHORT -> {
                came = Arrays.copyOf(came, Math.min(came.length, 20 * hertz));
                for (int i = 0; i < came.length; i++) {
                    came[i] += (random.nextDouble() - 0.5) * 0.01;
                }
            }
            case NOT_IN_THE_MIX -> came = song.stranger(which % 4);
            default -> {}
        }
        Sighting found = find(mix, came, hertz);
        TRIED.computeIfAbsent(treatment, key -> new AtomicInteger()).incrementAndGet();
        String what = treatment + " of track " + which + " (" + song.colours.get(which) + "): " + found
                + ", it lies at " + expected;
        if (Boolean.getBoolean("apodex.align.tell")) {
            System.out.println(seed + " " + what);
        }
        if (found.driftPpm() != 0) {
            TOLD_DRIFT.incrementAndGet();
            assertThat(found.certainty()).as(what).isEqualTo(Certainty.LIKELY);
            assertThat(found.driftPpm()).as(what).isBetween(ppm - 3, ppm + 3);
            assertThat(found.frame()).as(what).isBetween(expected - 10, expected + 10);
        }
        if (found.certainty() != Certainty.SURE) {
            return;
        }
        SURE.computeIfAbsent(treatment, key -> new AtomicInteger()).incrementAndGet();
        assertThat(treatment).as(what).isNotEqualTo(Treatment.NOT_IN_THE_MIX);
        assertThat(found.frame()).as(what).isEqualTo(expected);
        assertThat(found.inverted()).as(what).isEqualTo(treatment == Treatment.TURNED);
        assertThat(ppm).as(what).isZero();
        assertThat(found.trueRate() == null ? 0 : found.trueRate().hertz())
                .as(what)
                .isEqualTo(treatment == Treatment.WRONG_HEADER ? 44_100 : 0);
    }

    @AfterAll
    static void isSureOfMost() {
        int tried = TRIED.entrySet().stream()
                .filter(each -> each.getKey() != Treatment.NOT_IN_THE_MIX && each.getKey() != Treatment.DRIFTED)
                .mapToInt(each -> each.getValue().get())
                .sum();
        int sure = SURE.values().stream().mapToInt(AtomicInteger::get).sum();
        if (Boolean.getBoolean("apodex.align.tell")) {
            System.out.println("tried " + TRIED + ", sure of " + SURE);
        }
        assertThat(sure).as("sure of %s of %s", SURE, TRIED).isGreaterThan((int) (tried * LEAST_SURE));
        assertThat(TOLD_DRIFT.get()).as("drifts told of %s", TRIED).isPositive();
    }

    private Sighting find(double[] mix, double[] came, int hertz) throws IOException {
        try (PcmReader reference = open("mix.wav", mix, MadeUpSong.HERTZ);
                PcmReader sound = open("came.wav", came, hertz)) {
            SoundInfo mixed = SoundFile.examine(folder.resolve("mix.wav"));
            SoundInfo info = SoundFile.examine(folder.resolve("came.wav"));
            return new Aligner(new MonoSound(reference, mixed.rate())).find(new MonoSound(sound, info.rate()));
        }
    }

    private PcmReader open(String name, double[] samples, int hertz) throws IOException {
        Path file = folder.resolve(name);
        Files.write(
                file,
                SoundBytes.riff()
                        .format(3, 1, hertz, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                        .wave());
        return new PcmReader(file, SoundFile.examine(file));
    }
}
