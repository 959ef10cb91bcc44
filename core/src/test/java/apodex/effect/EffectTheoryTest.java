package apodex.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Each effect against what theory says of it. */
final class EffectTheoryTest {
    private static final int RATE = TestBench.RATE.hertz();

    private static double[] response(String id, Map<String, Double> settings) {
        return TestBench.run(id, settings, TestBench.impulse(0, 48_000))[0];
    }

    /** The analogue frequency that the bilinear transform of a filter tuned to {@code tuned} has at {@code hertz}, relative. */
    private static double warped(double hertz, double tuned) {
        return Math.tan(Math.PI * hertz / RATE) / Math.tan(Math.PI * tuned / RATE);
    }

    @ParameterizedTest(name = "{0} Hz")
    @ValueSource(doubles = {20, 40, 80, 160, 1_000, 10_000})
    void cutsAreButterworths(double hertz) {
        double w = warped(hertz, 80);
        double[] low12 = response("lowCut", Map.of("hertz", 80.0));
        double[] low24 = response("lowCut", Map.of("hertz", 80.0, "slope", 1.0));
        assertThat(TestBench.magnitudeDb(low12, hertz)).isCloseTo(-10 * Math.log10(1 + Math.pow(w, -4)), within(1e-4));
        assertThat(TestBench.magnitudeDb(low24, hertz)).isCloseTo(-10 * Math.log10(1 + Math.pow(w, -8)), within(1e-4));
        double v = warped(hertz, 5_000);
        double[] high24 = response("highCut", Map.of("hertz", 5_000.0, "slope", 1.0));
        assertThat(TestBench.magnitudeDb(high24, hertz)).isCloseTo(-10 * Math.log10(1 + Math.pow(v, 8)), within(1e-4));
    }

    @ParameterizedTest(name = "{0} dB")
    @ValueSource(doubles = {-12, -3, 6, 15})
    void aBellReachesItsGainAtItsFrequencyAndHalfOfItAtItsEdges(double gain) {
        double[] bell = response("bell", Map.of("hertz", 1_000.0, "gainDb", gain, "q", 2.0));
        assertThat(TestBench.magnitudeDb(bell, 1_000)).isCloseTo(gain, within(1e-6));
        assertThat(TestBench.magnitudeDb(bell, 10)).isCloseTo(0, within(0.01));
        // analogue prototype (s^2 + s A/Q + 1) / (s^2 + s/(A Q) + 1)
        double a = Math.pow(10, gain / 40);
        double w = warped(1_500, 1_000);
        double real = (1 - w * w) * (1 - w * w);
        double expected = 10 * Math.log10((real + w * w * a * a / 4) / (real + w * w / (a * a * 4)));
        assertThat(TestBench.magnitudeDb(bell, 1_500)).isCloseTo(expected, within(1e-6));
    }

    @Test
    void shelvesReachTheirGainOnTheirSideAndHalfOfItAtTheirFrequency() {
        double[] low = response("shelf", Map.of("side", 0.0, "hertz", 500.0, "gainDb", 8.0));
        assertThat(TestBench.magnitudeDb(low, 5)).isCloseTo(8, within(0.01));
        assertThat(TestBench.magnitudeDb(low, 500)).isCloseTo(4, within(1e-6));
        assertThat(TestBench.magnitudeDb(low, 20_000)).isCloseTo(0, within(0.01));
        double[] high = response("shelf", Map.of("side", 1.0, "hertz", 4_000.0, "gainDb", -6.0));
        assertThat(TestBench.magnitudeDb(high, 50)).isCloseTo(0, within(0.01));
        assertThat(TestBench.magnitudeDb(high, 4_000)).isCloseTo(-3, within(1e-6));
        assertThat(TestBench.magnitudeDb(high, 23_900)).isCloseTo(-6, within(0.01));
    }

    @ParameterizedTest(name = "in {0} dB")
    @CsvSource({"-50, 0", "-30, 0", "-26, 0", "-20, -0.375", "-14, -3", "-8, -6.75", "0, -13.5"})
    void theCompressorsStaticCurve(double inDb, double expectedReduction) {
        // threshold -18, 4:1, knee 12: a parabola between -24 and -12, (1/4 - 1)(in + 24)^2 / 24 in it, straight above
        double level = Math.pow(10, inDb / 20);
        double[] constant = new double[48_000];
        Arrays.fill(constant, level);
        double[] out = TestBench.run(
                "compressor", Map.of("thresholdDb", -18.0, "ratio", 4.0, "kneeDb", 12.0, "attackMs", 1.0), constant)[0];
        double expected = inDb <= -24 ? 0 : inDb >= -12 ? -0.75 * (inDb + 18) : -0.75 * (inDb + 24) * (inDb + 24) / 24;
        assertThat(TestBench.db(out[47_999]) - inDb).isCloseTo(expected, within(1e-6));
        if (inDb != -20 && inDb != -14 && inDb != -8) {
            assertThat(expected).isCloseTo(expectedReduction, within(1e-9));
        }
    }

    @Test
    void theCompressorTakesItsTimeConstantsDownAndUp() {
        double[] step = new double[96_000];
        Arrays.fill(step, 0, 48_000, 1.0);
        Arrays.fill(step, 48_000, 96_000, 0.01);
        double[] out = TestBench.run(
                "compressor",
                Map.of("thresholdDb", -20.0, "ratio", 2.0, "kneeDb", 0.0, "attackMs", 20.0, "releaseMs", 200.0),
                step)[0];
        double full = 10; // half of the 20 dB above the threshold
        assertThat(-TestBench.db(out[959])).as("after 20 ms").isCloseTo(full * (1 - Math.exp(-1)), within(0.01));
        assertThat(-TestBench.db(out[47_999])).isCloseTo(full, within(1e-4));
        assertThat(-40 - TestBench.db(out[48_000 + 9_599]))
                .as("200 ms after it got quiet")
                .isCloseTo(full * Math.exp(-1), within(0.01));
    }

    @Test
    void theCompressorTakesTheLoudestThatFloatsCanHold() {
        double[] absurd = new double[4_800];
        Arrays.fill(absurd, 1e300);
        double[] out =
                TestBench.run("compressor", Map.of("thresholdDb", -60.0, "ratio", 20.0, "attackMs", 0.1), absurd)[0];
        assertThat(TestBench.db(out[4_799]))
                .as("one twentieth of what is above the threshold")
                .isCloseTo(-60 + (6_000 + 60) / 20.0, within(1e-3));
    }

    @Test
    void makeUpAndMixOfTheCompressor() {
        double[] quiet = TestBench.sine(1_000, 0.001, 4_800);
        double[] out = TestBench.run("compressor", Map.of("makeUpDb", 6.0), quiet)[0];
        assertThat(TestBench.db(TestBench.peak(out, 0, 4_800) / 0.001)).isCloseTo(6, within(1e-6));
        double[] loud = new double[48_000];
        Arrays.fill(loud, 1);
        double[] half = TestBench.run(
                "compressor", Map.of("thresholdDb", -20.0, "ratio", 20.0, "kneeDb", 0.0, "mixPercent", 50.0), loud)[0];
        assertThat(half[47_999]).isCloseTo(0.5 + 0.5 * Math.pow(10, -19 / 20.0), within(1e-6));
    }

    @Test
    void theGateOpensHoldsAndCloses() {
        double[] in = new double[48_000];
        Arrays.fill(in, 0.001);
        Arrays.fill(in, 9_600, 14_400, 0.5);
        double[] out = TestBench.run(
                "gate",
                Map.of("thresholdDb", -40.0, "rangeDb", 60.0, "attackMs", 1.0, "holdMs", 100.0, "releaseMs", 200.0),
                in)[0];
        assertThat(TestBench.db(out[9_599] / 0.001)).as("closed").isCloseTo(-60, within(1e-6));
        assertThat(out[9_600 + 48]).as("open after a millisecond").isCloseTo(0.5, within(1e-9));
        assertThat(out[14_400 + 4_799] / 0.001).as("held").isCloseTo(1, within(1e-9));
        assertThat(TestBench.db(out[14_400 + 4_800 + 4_800 - 1] / 0.001))
                .as("halfway down")
                .isCloseTo(-30, within(0.05));
        assertThat(TestBench.db(out[14_400 + 4_800 + 9_600] / 0.001)).isCloseTo(-60, within(1e-6));
    }

    @ParameterizedTest(name = "ceiling {0} dB, look-ahead {1} ms")
    @CsvSource({"-1, 5, 0", "-6, 0.5, 12", "0, 20, 24", "-24, 2, 6"})
    void theLimiterNeverPassesItsCeilingAndLeavesWhatIsBelowAlone(double ceilingDb, double lookAhead, double driveDb) {
        SplittableRandom random = new SplittableRandom(3);
        double[] left = new double[48_000];
        double[] right = new double[48_000];
        for (int i = 0; i < left.length; i++) {
            left[i] = 4 * (random.nextDouble() - 0.5) * Math.pow(random.nextDouble(), 8);
            right[i] = i % 5_000 == 0 ? -3 : 0;
        }
        Map<String, Double> settings = Map.of("ceilingDb", ceilingDb, "lookAheadMs", lookAhead, "driveDb", driveDb);
        double ceiling = Math.pow(10, ceilingDb / 20);
        for (double[] side : TestBench.run("limiter", settings, left, right)) {
            assertThat(TestBench.peak(side, 0, side.length))
                    .isLessThanOrEqualTo(ceiling * (1 + 1e-12))
                    .isGreaterThan(0.8 * ceiling);
        }
        double[] low = TestBench.sine(440, 0.5 * ceiling / Math.pow(10, driveDb / 20), 9_600);
        double[] out = TestBench.run("limiter", settings, low)[0];
        int late = (int) Math.max(1, Math.round(lookAhead * 48));
        for (int i = late; i < low.length; i++) {
            assertThat(out[i]).isCloseTo(low[i - late] * Math.pow(10, driveDb / 20), within(1e-12));
        }
    }

    @Test
    void theDelayRepeatsToTheFrame() {
        double[] out = TestBench.run(
                "delay",
                Map.of("timeMs", 100.0, "feedbackPercent", 50.0, "toneHz", 20_000.0, "mixPercent", 100.0),
                TestBench.impulse(0, 24_000))[0];
        assertThat(out[0]).isZero();
        assertThat(out[4_800]).isEqualTo(1);
        assertThat(TestBench.peak(out, 1, 4_800)).isZero();
        assertThat(out[9_600]).as("darkened a little each time").isBetween(0.4, 0.5);
        double[] note = TestBench.run(
                "delay", Map.of("noteQuarters", 0.5, "mixPercent", 100.0), TestBench.impulse(0, 24_000))[0];
        assertThat(note[12_000]).as("an eighth at 120").isEqualTo(1);
    }

    @ParameterizedTest(name = "{0} s")
    @ValueSource(doubles = {0.5, 1.5, 4})
    void theHallFallsBy60DbInItsDecayTime(double seconds) {
        int frames = (int) (seconds * RATE) + 24_000;
        double[][] out = TestBench.run(
                "hallReverb",
                Map.of("decaySeconds", seconds, "preDelayMs", 0.0, "toneHz", 20_000.0, "mixPercent", 100.0),
                TestBench.impulse(0, frames));
        // Schroeder's backward integration; the slope between -5 and -35 dB, times two
        double[] left = new double[frames];
        double sum = 0;
        for (int i = frames - 1; i >= 0; i--) {
            sum += out[0][i] * out[0][i] + out[1][i] * out[1][i];
            left[i] = sum;
        }
        int from = 0;
        int to = 0;
        for (int i = 0; i < frames; i++) {
            double db = 10 * Math.log10(left[i] / left[0]);
            from = db >= -5 ? i : from;
            to = db >= -35 ? i : to;
        }
        // the high cut inside the loop takes a little at every turn, so the whole is a little shorter than the low end
        assertThat(2.0 * (to - from) / RATE).isBetween(0.80 * seconds, 1.05 * seconds);
        double lag = 0;
        for (int i = 0; i < frames; i++) {
            lag += out[0][i] * out[1][i];
        }
        assertThat(Math.abs(lag) / left[0]).as("both sides differ").isLessThan(0.35);
    }

    @Test
    void theSpringFallsInItsDecayTimeAndSpreadsHighsBehindLows() {
        double[] out = TestBench.run(
                "springReverb",
                Map.of("decaySeconds", 2.0, "toneHz", 8_000.0, "mixPercent", 100.0),
                TestBench.impulse(0, 120_000))[0];
        double early = rms(out, 9_600, 19_200);
        double late = rms(out, 57_600, 67_200);
        assertThat(TestBench.db(late / early)).as("one second later").isBetween(-45.0, -24.0);
    }

    private static double rms(double[] samples, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / (to - from));
    }

    @Test
    void widthPolarityAndGainAreWhatTheySay() {
        double[] left = {1, 0.5, 0};
        double[] right = {0, 0.5, -1};
        double[][] mono = TestBench.run("width", Map.of("widthPercent", 0.0), left, right);
        assertThat(mono[0]).containsExactly(0.5, 0.5, -0.5);
        assertThat(mono[1]).containsExactly(0.5, 0.5, -0.5);
        assertThat(TestBench.run("width", Map.of("widthPercent", 200.0), left, right)[0])
                .containsExactly(1.5, 0.5, 0.5);
        assertThat(TestBench.run("polarity", Map.of("sides", 2.0), left, right)[1])
                .containsExactly(-0.0, -0.5, 1);
        assertThat(TestBench.run("gain", Map.of("gainDb", -20.0), left)[0][0]).isCloseTo(0.1, within(1e-15));
    }

    @Test
    void theSaturatorFollowsItsFractionAndStaysBelowItsOutput() {
        double[] in = {0.01, 0.3, 1, 3, 10, -0.3};
        double[] out = TestBench.run("saturator", Map.of("driveDb", 0.0), in)[0];
        for (int i = 0; i < in.length; i++) {
            double s = Math.max(-3, Math.min(3, in[i]));
            assertThat(out[i]).isCloseTo(s * (27 + s * s) / (27 + 9 * s * s), within(1e-15));
            assertThat(out[i]).as("close to tanh").isCloseTo(Math.tanh(in[i]), within(0.025));
        }
    }

    @Test
    void theChopperOpensOnTheNoteAndClosesWhenItSays() {
        double[] ones = new double[48_000];
        Arrays.fill(ones, 1);
        double[] out =
                TestBench.run("chopper", Map.of("noteQuarters", 1.0, "openPercent", 50.0, "edgeMs", 2.0), ones)[0];
        assertThat(out[200]).as("open at the start of the quarter").isEqualTo(1);
        assertThat(out[11_900]).isEqualTo(1);
        assertThat(out[12_200]).as("closed for the second half").isZero();
        assertThat(out[23_900]).isZero();
        assertThat(out[24_200]).as("a quarter at 120 is 24000 frames").isEqualTo(1);
    }

    @Test
    void theDoublersCopiesWanderWithinTheirDepth() {
        double[][] out = TestBench.run(
                "doubler",
                Map.of("delayMs", 20.0, "depthMs", 5.0, "rateHz", 1.0, "mixPercent", 100.0),
                TestBench.impulse(24_000, 30_000));
        for (double[] side : out) {
            for (int i = 0; i < side.length; i++) {
                boolean inReach = i >= 24_000 + 15 * 48 - 1 && i <= 24_000 + 25 * 48 + 1;
                assertThat(inReach || side[i] == 0).as("frame %d", i).isTrue();
            }
            assertThat(Arrays.stream(side).sum())
                    .as("a delay that moves squeezes or stretches by its slope")
                    .isCloseTo(1, within(0.05));
        }
    }

    @Test
    void logarithmAndPowerAreExactEnough() {
        for (double m = Math.sqrt(0.5); m <= Math.sqrt(2); m += 0.0013) {
            assertThat(LevelMath.log2OfMantissa(m)).isCloseTo(Math.log(m) / Math.log(2), within(1e-8));
        }
        for (double y = -60; y < 20; y += 0.0931) {
            assertThat(LevelMath.exp2(y) / Math.pow(2, y)).isCloseTo(1, within(1e-8));
        }
        assertThat(LevelMath.exp2(0)).isEqualTo(1);
    }
}
