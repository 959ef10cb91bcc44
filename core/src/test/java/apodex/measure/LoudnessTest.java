package apodex.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.OutsideTools;
import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.time.SampleRate;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The minimum requirements of EBU Tech 3341, table 1, with signals made here, and an outside meter. */
final class LoudnessTest {
    @TempDir
    private Path folder;

    /** Sections of a 1 kHz sine in both channels: level in dBFS and seconds, one after the other. */
    private static double measure(int rate, double... levelsAndSeconds) {
        return loudness(rate, levelsAndSeconds).integratedLufs().orElse(Double.NEGATIVE_INFINITY);
    }

    private static Loudness loudness(int rate, double... levelsAndSeconds) {
        Loudness loudness = new Loudness(new SampleRate(rate), 2);
        long at = 0;
        for (int s = 0; s < levelsAndSeconds.length; s += 2) {
            double amplitude = Math.pow(10, levelsAndSeconds[s] / 20);
            int frames = (int) Math.round(levelsAndSeconds[s + 1] * rate);
            double[] tone = new double[frames];
            for (int i = 0; i < frames; i++) {
                tone[i] = amplitude * Math.sin(2 * Math.PI * 1_000 * (at + i) / rate);
            }
            at += frames;
            for (int from = 0; from < frames; from += 7_777) { // in stretches of any length
                int count = Math.min(7_777, frames - from);
                double[] part = java.util.Arrays.copyOfRange(tone, from, from + count);
                loudness.add(new double[][] {part, part}, count);
            }
        }
        return loudness;
    }

    /** The minimum requirements of EBU Tech 3342, table 1, cases 1 to 4. */
    @Test
    void theRangeIsThatOfTech3342() {
        assertThat(range(-20, 20, -30, 20)).isCloseTo(10, within(1.0));
        assertThat(range(-20, 20, -15, 20)).isCloseTo(5, within(1.0));
        assertThat(range(-40, 20, -20, 20)).isCloseTo(20, within(1.0));
        assertThat(range(-50, 20, -35, 20, -20, 20, -35, 20, -50, 20)).isCloseTo(15, within(1.0));
    }

    private static double range(double... levelsAndSeconds) {
        return loudness(48_000, levelsAndSeconds).whole().orElseThrow().rangeLu();
    }

    /** Tech 3341, cases 9 and 12 in short: a sine that comes and goes; only the loudest 400 ms and 3 s are asked for. */
    @Test
    void theLoudestMomentAndTheLoudestThreeSecondsAreFound() {
        ProgrammeLoudness whole = loudness(48_000, -40, 5, -20, 0.5, -40, 5, -26, 4, -40, 2)
                .whole()
                .orElseThrow();
        assertThat(whole.maxMomentaryLufs()).isCloseTo(-20, within(0.1));
        assertThat(whole.maxShortTermLufs()).isCloseTo(-26, within(0.1));
        assertThat(loudness(48_000, -30, 1).whole().orElseThrow().rangeLu())
                .as("too short for a range")
                .isZero();
    }

    @ParameterizedTest(name = "{0} Hz")
    @ValueSource(ints = {44_100, 48_000, 96_000})
    void cases1To5OfTech3341(int rate) {
        assertThat(measure(rate, -23, 20)).as("case 1").isCloseTo(-23, within(0.1));
        assertThat(measure(rate, -33, 20)).as("case 2").isCloseTo(-33, within(0.1));
        assertThat(measure(rate, -36, 10, -23, 60, -36, 10)).as("case 3").isCloseTo(-23, within(0.1));
        assertThat(measure(rate, -72, 10, -36, 10, -23, 60, -36, 10, -72, 10))
                .as("case 4")
                .isCloseTo(-23, within(0.1));
        assertThat(measure(rate, -26, 20, -20, 20.1, -26, 20)).as("case 5").isCloseTo(-23, within(0.1));
    }

    @Test
    void at48KilohertzTheFiltersAreThoseOfTheStandard() {
        KWeighting weighting = new KWeighting(new SampleRate(48_000));
        double[] shelf = {1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585};
        double[] cut = {1, -2, 1, -1.99004745483398, 0.99007225036621};
        for (int i = 0; i < 5; i++) { // BS.1770-4, annex 1, tables 1 and 2
            assertThat(weighting.shelf[i]).isCloseTo(shelf[i], within(1e-8));
            assertThat(weighting.cut[i]).isCloseTo(cut[i], within(1e-8));
        }
    }

    @Test
    void silenceAndWhatIsTooShortHaveNoLoudness() {
        Loudness loudness = new Loudness(new SampleRate(48_000), 1);
        assertThat(loudness.integratedLufs()).isEmpty();
        loudness.add(new double[1][48_000], 48_000);
        assertThat(loudness.integratedLufs()).isEmpty();
        assertThat(new TruePeak(new SampleRate(48_000), 1).dbtp()).isEqualTo(Double.NEGATIVE_INFINITY);
    }

    @ParameterizedTest(name = "phase {0}")
    @ValueSource(doubles = {0, 45, 60, 67.5})
    void truePeaksBetweenSamplesAreFound(double degrees) {
        // Tech 3341, true peak: a quarter of the rate at several phases
        TruePeak peak = new TruePeak(new SampleRate(48_000), 1);
        double[] tone = new double[48_000];
        for (int i = 0; i < tone.length; i++) {
            double fade = Math.min(1, Math.min(i, tone.length - i) / 4_800.0);
            tone[i] = 0.5 * fade * Math.sin(Math.PI / 2 * i + Math.toRadians(degrees));
        }
        peak.add(new double[][] {tone}, tone.length);
        assertThat(peak.dbtp()).as("-6.0 dBTP, +0.2, -0.4").isBetween(-6.4, -5.8);
    }

    @Test
    void anOutsideMeterReadsTheSame() throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                "-R",
                "-n",
                "-r",
                "48000",
                "-c",
                "2",
                "-b",
                "24",
                "a.wav",
                "synth",
                "30",
                "pinknoise",
                "gain",
                "-14",
                "tremolo",
                "0.1",
                "90");
        Path file = folder.resolve("a.wav");
        var info = SoundFile.examine(file);
        Loudness loudness = new Loudness(info.rate(), 2);
        TruePeak peak = new TruePeak(info.rate(), 2);
        double[][] block = new double[2][(int) info.frames()];
        try (PcmReader reader = new PcmReader(file, info)) {
            reader.read(0, (int) info.frames(), 0, block, 0);
        }
        loudness.add(block, block[0].length);
        peak.add(block, block[0].length);
        String told = OutsideTools.run(
                folder,
                "ffmpeg",
                "-nostdin",
                "-hide_banner",
                "-nostats",
                "-i",
                "a.wav",
                "-af",
                "ebur128=peak=true+sample:framelog=verbose",
                "-f",
                "null",
                "-");
        assertThat(loudness.integratedLufs().orElseThrow())
                .isCloseTo(figure(told, "I:\\s+(-?[\\d.]+) LUFS"), within(0.1));
        assertThat(loudness.whole().orElseThrow().rangeLu())
                .isCloseTo(figure(told, "LRA:\\s+([\\d.]+) LU"), within(1.0));
        assertThat(peak.dbtp())
                .as("Tech 3341 allows true peak meters +0.2 dB")
                .isCloseTo(figure(told, "True peak:\\s+Peak:\\s+(-?[\\d.]+) dBFS"), within(0.2));
    }

    private static double figure(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        assertThat(matcher.find()).as("%s in %s", pattern, text).isTrue();
        return Double.parseDouble(matcher.group(1));
    }
}
