package apodex.examine;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.align.MadeUpSong;
import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.examine.Oddity.Kind;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Made-up tracks without a fault, of which nothing may be said; then with each fault planted, which must be named alone. */
@Execution(ExecutionMode.CONCURRENT)
class ExaminerTest {
    private static final int HERTZ = 48_000;

    @TempDir
    private Path folder;

    private Examination examine(double[]... channels) throws IOException {
        int frames = channels[0].length;
        double[] interleaved = new double[frames * channels.length];
        for (int c = 0; c < channels.length; c++) {
            for (int i = 0; i < frames; i++) {
                interleaved[i * channels.length + c] = channels[c][i];
            }
        }
        Path file = folder.resolve("sound.wav");
        Files.write(
                file,
                SoundBytes.riff()
                        .format(3, channels.length, HERTZ, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, interleaved))
                        .wave());
        try (PcmReader in = new PcmReader(file, SoundFile.examine(file))) {
            return Examiner.examine(in, new SampleRate(HERTZ));
        }
    }

    private List<Kind> kinds(double[]... channels) throws IOException {
        return examine(channels).oddities().stream().map(Oddity::kind).toList();
    }

    private static double[] with(double[] in, Change change) {
        double[] out = in.clone();
        for (int i = 0; i < out.length; i++) {
            out[i] = change.of(in[i], i);
        }
        return out;
    }

    private interface Change {
        double of(double sample, int at);
    }

    private static double peak(double[] samples) {
        double peak = 0;
        for (double sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void namesThePlantedFaultAndNothingElse(long seed) throws IOException {
        SplittableRandom random = new SplittableRandom(seed);
        MadeUpSong song = new MadeUpSong(random);
        List<String> wrong = new ArrayList<>();
        for (int t = 0; t < Math.min(4, song.tracks.size()); t++) {
            double[] raw = song.tracks.get(t);
            double gain = 0.5 / peak(raw);
            int fade = HERTZ / 2;
            double[] track =
                    with(raw, (sample, at) -> sample * gain * Math.min(1, (double) (raw.length - 1 - at) / fade));
            double[] other = with(
                    song.tracks.get((t + 1) % 4),
                    (sample, at) -> sample * 0.2 * Math.min(1, (double) (raw.length - 1 - at) / fade));
            expect(wrong, "clean", kinds(track));
            expect(wrong, "clean stereo", kinds(track, with(track, (sample, at) -> 0.7 * sample + other[at] * 0.3)));
            double hot = 1.7 / peak(track);
            List<Kind> clipped = new ArrayList<>(kinds(with(track, (s, at) -> Math.max(-1, Math.min(1, s * hot)))));
            clipped.remove(Kind.OFFSET); // more tops than bottoms may be gone, and then it has one
            expect(wrong, "clipped", clipped, Kind.CLIPPED);
            expect(
                    wrong,
                    "clipped, then turned down",
                    kinds(with(track, (s, at) -> (float) (0.3 * (float) Math.max(-1, Math.min(1, s * hot))))),
                    Kind.CLIPPED);
            expect(
                    wrong,
                    "offset",
                    kinds(with(track, (s, at) -> s + 0.02 * Math.min(1, Math.min(at, raw.length - at) / 4800.0))),
                    Kind.OFFSET);
            int mains = random.nextBoolean() ? 50 : 60;
            expect(
                    wrong,
                    "hum",
                    kinds(with(track, (s, at) -> (Math.abs(at - raw.length / 2) < 4 * HERTZ ? 0 : s) + hum(at, mains))),
                    Kind.HUM);
            expect(wrong, "silent", kinds(new double[HERTZ]), Kind.SILENT);
            expect(wrong, "same", kinds(track, track), Kind.SAME_ON_BOTH_SIDES);
            expect(wrong, "dead", kinds(new double[raw.length], track), Kind.DEAD_SIDE);
            expect(wrong, "turned", kinds(track, with(track, (s, at) -> -0.9 * s)), Kind.TURNED_SIDE);
            expect(wrong, "cut", kinds(cutWhereItSounds(track)), Kind.ENDS_IN_SOUND);
            double[] click = new double[2 * HERTZ + track.length];
            System.arraycopy(track, 0, click, 2 * HERTZ, track.length);
            for (int i = 0; i < 40; i++) {
                click[i] = (i % 2 == 0 ? 0.3 : -0.3) * (40 - i) / 40;
            }
            expect(wrong, "click", kinds(click), Kind.CLICK_AT_START);
        }
        assertThat(wrong).isEmpty();
    }

    private static double hum(int at, int mains) {
        double t = 2 * Math.PI * mains * at / HERTZ;
        return 0.004 * Math.sin(t) + 0.003 * Math.sin(2 * t) + 0.002 * Math.sin(3 * t);
    }

    /** Ends at the loudest twentieth of a second in its second half. */
    private static double[] cutWhereItSounds(double[] track) {
        int window = HERTZ / 20;
        int best = 0;
        double most = 0;
        for (int from = track.length / 2; from + window < track.length - HERTZ; from += window) {
            double energy = 0;
            for (int i = from; i < from + window; i++) {
                energy += track[i] * track[i];
            }
            if (energy > most) {
                most = energy;
                best = from + window;
            }
        }
        return java.util.Arrays.copyOf(track, best);
    }

    private void expect(List<String> wrong, String planted, List<Kind> told, Kind... expected) {
        if (!told.equals(List.of(expected))) {
            wrong.add(planted + " gave " + told);
        }
    }

    @Test
    void saysWhereSoundBeginsAndEnds() throws IOException {
        double[] samples = new double[HERTZ];
        samples[1_000] = 0.5;
        samples[30_000] = -0.25;
        Examination examination = examine(samples);
        assertThat(examination.firstSound()).isEqualTo(1_000);
        assertThat(examination.lastSound()).isEqualTo(30_001);
        assertThat(examination.peak()).isEqualTo(0.5);
    }

    @Test
    void aSquareWaveIsNotClipped() throws IOException {
        double[] square = new double[3 * HERTZ];
        for (int i = 0; i < square.length - HERTZ; i++) {
            square[i] = (i / 109) % 2 == 0 ? 0.4 : -0.4;
        }
        assertThat(kinds(square)).doesNotContain(Kind.CLIPPED);
    }
}
