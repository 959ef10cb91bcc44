package apodex.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What every effect holds to, whatever it is set to. */
final class EffectContractTest {
    /** An effect with random settings, in one or two channels. */
    record Case(String id, Map<String, Double> settings, int width, long seed) {
        @Override
        public String toString() {
            return id + " " + width + " ch, seed " + seed;
        }
    }

    static Stream<Case> cases() {
        return Effects.ALL.stream().flatMap(effect -> Stream.of(1L, 2L, 3L, 4L).map(seed -> {
            SplittableRandom random =
                    new SplittableRandom(seed * 31 + effect.id().hashCode());
            Map<String, Double> settings = new HashMap<>();
            for (Setting setting : effect.settings()) {
                double value = setting.lowest() + random.nextDouble() * (setting.highest() - setting.lowest());
                settings.put(setting.id(), setting.choices().isEmpty() ? value : Math.rint(value));
            }
            return new Case(effect.id(), settings, 1 + (int) (seed % 2), seed);
        }));
    }

    private static double[][] noise(Case each, int sounding, int frames) {
        SplittableRandom random = new SplittableRandom(each.seed);
        double[][] in = new double[each.width][frames];
        for (double[] channel : in) {
            for (int i = 0; i < sounding; i++) {
                channel[i] = random.nextDouble() - 0.5;
            }
        }
        return in;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void howAStretchIsCutMakesNoDifference(Case each) {
        double[][] in = noise(each, 3_000, 8_000);
        double[][] whole = TestBench.run(each.id, each.settings, in, Integer.MAX_VALUE);
        for (int cut : new int[] {1, 37, 500}) {
            double[][] pieces = TestBench.run(each.id, each.settings, in, cut);
            for (int c = 0; c < whole.length; c++) {
                assertThat(Arrays.mismatch(pieces[c], whole[c]))
                        .as("cut at %d", cut)
                        .isEqualTo(-1);
            }
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void silenceStaysSilenceAndEverySampleIsANumber(Case each) {
        for (double[] channel : TestBench.run(each.id, each.settings, noise(each, 0, 4_000), 999)) {
            assertThat(Arrays.stream(channel).allMatch(sample -> sample == 0)).isTrue();
        }
        for (double[] channel : TestBench.run(each.id, each.settings, noise(each, 20_000, 20_000), 999)) {
            assertThat(Arrays.stream(channel).allMatch(Double::isFinite)).isTrue();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void theTailIsNoLongerThanTold(Case each) {
        Effect effect = TestBench.effect(each.id);
        long told = effect.tailFrames(
                        new Values(each.settings), new Conditions(TestBench.RATE, TestBench.TEMPO, each.width))
                + effect.latencyFrames(
                        new Values(each.settings), new Conditions(TestBench.RATE, TestBench.TEMPO, each.width));
        int burst = 2_400;
        int frames = (int) Math.min(burst + told + 12_000, 40 * 48_000);
        double[][] in = noise(each, burst, frames);
        double[][] out = TestBench.run(each.id, each.settings, in, Integer.MAX_VALUE);
        int quietFrom = (int) Math.min(frames, burst + told + 1);
        for (double[] channel : out) {
            double loudest = TestBench.peak(channel, 0, frames);
            assertThat(TestBench.peak(channel, quietFrom, frames))
                    .as("after the told tail of %d frames", told)
                    .isLessThanOrEqualTo(Math.max(loudest, 0.5) * Math.pow(10, -80 / 20.0));
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void unitsComeToRestSoThatSilenceCanBeSkipped(Case each) {
        for (Unit unit : TestBench.units(each.id, each.settings, each.width)) {
            assertThat(unit.isAtRest()).as("fresh").isTrue();
        }
        Conditions place = new Conditions(TestBench.RATE, TestBench.TEMPO, each.width);
        Assumptions.assumeTrue(
                TestBench.effect(each.id).tailFrames(new Values(each.settings), place) < 10 * 48_000,
                "repeats that take an hour to come down by 400 dB");
        int width = TestBench.effect(each.id).width(each.width);
        for (Unit unit : TestBench.units(each.id, each.settings, each.width)) {
            double[][] loud = java.util.Arrays.copyOf(noise(each, 512, 512), width);
            double[][] silent = new double[width][512];
            double[] gains = new double[512];
            for (int c = each.width; c < width; c++) {
                loud[c] = new double[512];
            }
            long frame = 0;
            for (int cell = 0; cell < 120 * 48_000 / 512 && (cell == 0 || !unit.isAtRest()); cell++, frame += 512) {
                double[][] in = cell == 0 ? loud : silent;
                if (unit instanceof LinearUnit linear) {
                    linear.process(in, 0, 512, frame);
                } else if (unit instanceof GainUnit gain) {
                    gain.gains(in, gains, 0, 512);
                }
                unit.settle();
                for (double[] channel : silent) {
                    Arrays.fill(channel, 0);
                }
            }
            assertThat(unit.isAtRest()).as("two minutes after a burst").isTrue();
        }
    }

    @Test
    void everyEffectIsRegisteredUnderANameOfItsOwnWithSaneSettings() {
        long written = new ClassFileImporter()
                .importPackages("apodex.effect").stream()
                        .filter(type -> type.isAssignableTo(Effect.class)
                                && !type.getModifiers()
                                        .contains(com.tngtech.archunit.core.domain.JavaModifier.ABSTRACT))
                        .count();
        assertThat(Effects.ALL).hasSize((int) written);
        assertThat(Effects.ALL).extracting(Effect::id).doesNotHaveDuplicates();
        for (Effect effect : Effects.ALL) {
            assertThat(effect.words()).as(effect.id()).endsWith(".");
            assertThat(effect.settings())
                    .extracting(Setting::id)
                    .as(effect.id())
                    .doesNotHaveDuplicates()
                    .isNotEmpty();
            assertThat(effect.settings())
                    .as(effect.id())
                    .allMatch(setting -> setting.allows(setting.standard())
                            && setting.allows(setting.lowest())
                            && setting.allows(setting.highest()));
        }
    }

    @Test
    void settingsOutOfRangeAreNamed() {
        Effect lowCut = TestBench.effect("lowCut");
        assertThatThrownBy(() -> lowCut.check(Map.of("hertz", 9.0)))
                .hasMessage("Frequency of Low cut must be from 10 to 2000 Hz, not 9.");
        assertThatThrownBy(() -> lowCut.check(Map.of("slope", 0.5)))
                .hasMessageContaining("Slope of Low cut must be one of 0 to 1");
        assertThatThrownBy(() -> lowCut.check(Map.of("cut", 1.0))).hasMessage("Low cut has no setting “cut”.");
        assertThatThrownBy(() -> lowCut.check(Map.of("hertz", Double.NaN))).hasMessageContaining("not NaN");
        lowCut.check(Map.of("hertz", 10.0, "slope", 1.0));
        assertThat(List.of("lowCut", "hallReverb"))
                .allMatch(id -> Effects.find(id).isPresent());
        assertThat(Effects.find("unknown")).isEmpty();
    }
}
