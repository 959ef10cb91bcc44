package apodex.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.FileKind;
import apodex.audio.FlacFile;
import apodex.handoff.Foreseen;
import apodex.handoff.LookAhead;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.proof.Verdict.Grade;
import apodex.signal.Placed;
import apodex.signal.Printed;
import apodex.signal.WalkObserver;
import apodex.signal.WalkedFiles;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Random sessions under random handoffs: printed and proved without a fault, no verdict may be other than good but for what a second,
 * plain computation finds in the files as well; then with one planted fault, which must be named with its file, and nothing else.
 *
 * <p>{@code -Dapodex.campaign.from=1 -Dapodex.campaign.cases=3000} makes a long run.
 */
@Execution(ExecutionMode.CONCURRENT)
class CampaignTest {
    private static final long FROM = Long.getLong("apodex.campaign.from", 1);
    private static final long CASES = Long.getLong("apodex.campaign.cases", 200);

    @TempDir
    private Path folder;

    private RandomHandoff random;
    private Printing.Result printed;
    private Path out;
    private final Map<Print, double[][]> sounds = new HashMap<>();

    static LongStream seeds() {
        return LongStream.range(FROM, FROM + CASES);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void neverCriesWolfAndNeverSleeps(long seed) throws IOException {
        random = new RandomHandoff(seed, folder);
        Plan plan = Planner.plan(random.session, random.handoff, random.recordings);
        if (plan.prints().isEmpty()) {
            return;
        }
        out = Files.createDirectory(folder.resolve("out"));
        Path sums = Files.createDirectory(folder.resolve("sums"));
        printed = Printing.print(
                random.session,
                random.handoff,
                plan,
                out,
                random.recordings,
                1,
                WalkObserver.NONE,
                key -> Optional.empty(),
                Proving.plainSums(random.session, random.handoff, plan, sums));
        Proof proof = Proving.prove(
                random.session,
                random.handoff,
                printed,
                out,
                random.recordings,
                1,
                Map.of(),
                sums,
                Proving.Told.NOTHING);
        for (Print print : printed.plan().prints()) {
            sounds.put(print, read(print));
        }
        for (int i = 0; i < plan.prints().size(); i++) {
            mustBeMeasured(printed.plan().prints().get(i), proof.files().get(i));
        }
        if (seed % 3 == 0) {
            mustBeForeseen(plan, new SplittableRandom(-seed));
        }
        proof.verdicts().forEach(this::mustBeTrue);
        proof.sums().forEach(this::mustAddUp);
        SplittableRandom chance = new SplittableRandom(seed);
        if (chance.nextInt(8) == 0) {
            exchangeAndFind(chance);
        } else {
            plantAndFind(chance);
        }
    }

    private Proof prove() throws IOException {
        return Proving.prove(
                random.session, random.handoff, printed, out, random.recordings, 1, Map.of(), Proving.Told.NOTHING);
    }

    private double[][] read(Print print) throws IOException {
        Path file = out.resolve(print.path());
        if (printed.plan().format() != FileKind.FLAC) {
            return WalkedFiles.read(file);
        }
        Path wav = folder.resolve("read.wav");
        FlacFile.decode(file, wav);
        double[][] sound = WalkedFiles.read(wav);
        Files.delete(wav);
        return sound;
    }

    /** What was measured while printing holds for the samples that lie there. */
    private void mustBeMeasured(Print print, FileProof file) {
        double[][] sound = sounds.get(print);
        assertThat(file.silent()).isEqualTo(peak(print) == 0);
        if (!file.silent()) {
            assertThat(file.peakDbfs()).isCloseTo(20 * Math.log10(peak(print)), within(1e-9));
            assertThat(Math.abs(file.offset())).isCloseTo(offset(print), within(1e-9));
            long first = IntStream.range(0, sound[0].length)
                    .filter(i -> Arrays.stream(sound).anyMatch(channel -> channel[i] != 0))
                    .findFirst()
                    .orElseThrow();
            assertThat(file.firstSoundFrame()).isEqualTo(first);
        }
    }

    /** Looking ahead says of every file what printing it says, also when some are known from before. */
    private void mustBeForeseen(Plan plan, SplittableRandom chance) throws IOException {
        LookAhead ahead = new LookAhead(random.session, random.handoff, plan, random.recordings, 1);
        Map<String, Printed> known = new HashMap<>();
        ahead.of(key -> Optional.empty(), WalkObserver.NONE).forEach((key, level) -> {
            if (chance.nextBoolean()) {
                known.put(key, level);
            }
        });
        Map<String, Printed> all = new HashMap<>(known);
        all.putAll(ahead.of(key -> Optional.ofNullable(known.get(key)).map(Printed::quietAt), WalkObserver.NONE));
        List<Optional<Foreseen.Sound>> sounds = plan.prints().stream()
                .map(print -> ahead.key(print)
                        .map(all::get)
                        .map(level -> new Foreseen.Sound(level.channels(), level.quietAt())))
                .toList();
        Plan foreseen = Foreseen.of(random.session, plan, sounds).orElseThrow();
        assertThat(foreseen.sections()).isEqualTo(printed.plan().sections());
        if (plan.format() != FileKind.FLAC) {
            assertThat(foreseen.prints()).isEqualTo(printed.plan().prints());
        }
        for (int i = 0; i < plan.prints().size(); i++) {
            Printing.Made made = printed.prints().get(i);
            Optional<String> key = ahead.key(plan.prints().get(i));
            if (key.isEmpty()) {
                continue;
            }
            Printed level = all.get(key.get());
            assertThat(level.channels()).isEqualTo(made.channels());
            assertThat(level.quietAt()).isEqualTo(made.quietAt());
            double expected = amplitude(level.measures().peakDbfs());
            double top = printed.plan().depth().sample().fullScale();
            assertThat(Math.min(top, expected))
                    .as("to what rounding and dither add")
                    .isCloseTo(Math.min(top, amplitude(made.measures().peakDbfs())), within(1e-4));
            if (made.overs() > 0) {
                assertThat(expected).isGreaterThan(top);
            }
        }
    }

    private static double amplitude(Double dbfs) {
        return dbfs == null ? 0 : Math.pow(10, dbfs / 20);
    }

    /** Whatever is not good must be so in the samples themselves. */
    private void mustBeTrue(Verdict verdict) {
        if (verdict.grade() == Grade.GOOD) {
            return;
        }
        List<Print> about = printed.plan().prints().stream()
                .filter(print -> verdict.files().contains(print.path()))
                .toList();
        String headline = verdict.headline().replaceFirst("^[0-9]+ ", "");
        switch (headline) {
            case "silent" -> assertThat(about).allMatch(print -> peak(print) == 0);
            case "nearly silent" -> assertThat(about).allMatch(print -> peak(print) < 0.001);
            case "above full scale" -> assertThat(about).allMatch(print -> peak(print) > 1);
            case "over full scale", "at full scale" -> assertThat(about).allMatch(print -> peak(print) > 0.9999);
            case "off zero" -> assertThat(about).allMatch(print -> offset(print) > 0.000_9);
            case "same as another" -> assertThat(about).allMatch(this::hasTwin);
            case "Not meant to add up" ->
                assertThat(random.mustAddUp
                                && printed.plan().prints().stream().anyMatch(Print::isReference)
                                && printed.plan().prints().size() > 1)
                        .as("%s", verdict)
                        .isFalse();
            default -> throw new AssertionError("False alarm: " + verdict);
        }
    }

    private double peak(Print print) {
        return Arrays.stream(sounds.get(print))
                .flatMapToDouble(Arrays::stream)
                .map(Math::abs)
                .max()
                .orElse(0);
    }

    private double offset(Print print) {
        return Arrays.stream(sounds.get(print))
                .mapToDouble(side -> Math.abs(Arrays.stream(side).average().orElse(0)))
                .max()
                .orElse(0);
    }

    private boolean hasTwin(Print print) {
        return printed.plan().prints().stream()
                .anyMatch(other -> other != print
                        && other.section() == print.section()
                        && sounds.get(other).length == sounds.get(print).length
                        && isTwin(sounds.get(other), sounds.get(print)));
    }

    private static boolean isTwin(double[][] one, double[][] other) {
        double a = 0;
        double b = 0;
        double ab = 0;
        for (int c = 0; c < one.length; c++) {
            for (int i = 0; i < one[c].length; i++) {
                a += one[c][i] * one[c][i];
                b += other[c][i] * other[c][i];
                ab += one[c][i] * other[c][i];
            }
        }
        return a > 0 && ab * ab >= 0.999_99 * a * b;
    }

    /** The files added as arrays, the reference mix taken away: what is left must be what the proof says. */
    private void mustAddUp(SumProof sum) {
        if (!sum.whyNot().isEmpty()) {
            return;
        }
        assertThat(sum.addsUp()).as("%s", sum).isTrue();
        List<Print> prints = printed.plan().prints().stream()
                .filter(print -> sum.files().contains(print.path()))
                .toList();
        List<Print> mix = printed.plan().prints().stream()
                .filter(print ->
                        print.isReference() && print.section() == prints.get(0).section())
                .toList();
        boolean mono = mix.stream().allMatch(print -> print.sides() == apodex.signal.Channels.MONO_SUM);
        boolean cut = Stream.concat(prints.stream(), mix.stream())
                .anyMatch(print -> !printed.plan().depth().sample().isFloat() && peak(print) > 0.9999);
        int frames = (int) printed.plan().section(prints.get(0)).frames();
        double[][] left = new double[2][frames];
        mix.forEach(print -> add(print, 1, left));
        prints.forEach(print -> add(print, -1, left));
        double peak = 0;
        for (int i = 0; i < frames; i++) {
            double middle = (left[0][i] + left[1][i]) / 2;
            peak = Math.max(peak, mono ? Math.abs(middle) : Math.max(Math.abs(left[0][i]), Math.abs(left[1][i])));
        }
        double said = sum.peakDbfs() == null ? 0 : Math.pow(10, sum.peakDbfs() / 20);
        if (!cut) {
            assertThat(peak).as("%s", sum).isCloseTo(said, within(1e-9 + said * 1e-6));
        }
    }

    private void add(Print print, int sign, double[][] to) {
        Printing.Made made = printed.prints().get(printed.plan().prints().indexOf(print));
        double[][] sound = sounds.get(print);
        double gain = sign * Math.pow(10, -print.trimDb() / 20);
        for (int side = 0; side < 2; side++) {
            boolean there = made.placed() == Placed.MIDDLE || made.placed() == (side == 0 ? Placed.LEFT : Placed.RIGHT);
            for (int i = 0; i < to[side].length && there; i++) {
                to[side][i] += gain * sound[Math.min(side, sound.length - 1)][i];
            }
        }
    }

    private void plantAndFind(SplittableRandom chance) throws IOException {
        Print print = any(chance, printed.plan().prints());
        Path file = out.resolve(print.path());
        Path saved = Files.copy(file, folder.resolve("saved"));
        PlantedFault fault = any(chance, List.of(PlantedFault.values()));
        PlantedFault.Planted planted = fault.plant(file, chance);
        if (planted != null) {
            Proof proof = prove();
            List<Verdict> wrong = wrong(proof);
            assertThat(wrong).as("%s in %s", fault, print).hasSize(1);
            assertThat(wrong.get(0).files()).as("%s", wrong).containsExactly(print.path());
            Culprit culprit = proof.faults().get(0);
            if (culprit.kind() == Culprit.Kind.ANOTHER) { // the mix of one row, turned, can be that row to the sample
                assertThat(read(print))
                        .isDeepEqualTo(sounds.get(named(culprit.files().get(1))));
            } else {
                assertThat(culprit.kind())
                        .as("%s in %s: %s", fault, print, culprit)
                        .isIn(planted.kinds());
            }
            if (!Double.isNaN(planted.amount())) {
                assertThat(culprit.amount()).as("%s in %s", fault, print).isCloseTo(planted.amount(), within(0.05));
            }
        }
        Files.deleteIfExists(file);
        Files.move(saved, file);
    }

    private Print named(String path) {
        return printed.plan().prints().stream()
                .filter(print -> print.path().equals(path))
                .findFirst()
                .orElseThrow();
    }

    /** What is wrong, but for what was so before anything was planted. */
    private static List<Verdict> wrong(Proof proof) {
        return proof.verdicts().stream()
                .filter(verdict ->
                        verdict.grade() == Grade.WRONG && !verdict.headline().endsWith("over full scale"))
                .toList();
    }

    private void exchangeAndFind(SplittableRandom chance) throws IOException {
        Print one = any(chance, printed.plan().prints());
        Print other = any(chance, printed.plan().prints());
        if (Arrays.deepEquals(sounds.get(one), sounds.get(other)) || peak(one) == 0 || peak(other) == 0) {
            return;
        }
        Path a = out.resolve(one.path());
        Path b = out.resolve(other.path());
        Path saved = Files.move(a, folder.resolve("saved"));
        Files.move(b, a);
        Files.move(saved, b);
        List<Verdict> wrong = wrong(prove());
        assertThat(wrong).as("%s and %s exchanged", one, other).hasSize(2);
        assertThat(wrong).flatExtracting(Verdict::files).containsExactlyInAnyOrder(one.path(), other.path());
        assertThat(wrong).allMatch(verdict -> verdict.headline().contains("each other's sound"));
    }

    private static <T> T any(SplittableRandom chance, List<T> list) {
        return list.get(chance.nextInt(list.size()));
    }
}
