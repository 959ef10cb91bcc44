package apodex.align;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.align.SumAmong.Sum;
import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A mix among its tracks is found, and no track is taken for one. */
class SumAmongTest {
    private static final SampleRate RATE = new SampleRate(MadeUpSong.HERTZ);

    @TempDir
    private Path folder;

    private Optional<Sum> find(List<double[]> sounds, double... seconds) throws IOException {
        SumAmong among = new SumAmong();
        for (int i = 0; i < sounds.size(); i++) {
            Path file = folder.resolve(i + ".wav");
            Files.write(
                    file,
                    SoundBytes.riff()
                            .format(3, 1, RATE.hertz(), 32)
                            .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, sounds.get(i)))
                            .wave());
            try (PcmReader in = new PcmReader(file, SoundFile.examine(file))) {
                among.add(i, new MonoSound(in, RATE), i < seconds.length ? seconds[i] : 0);
            }
        }
        return among.find();
    }

    private static double rms(double[] samples) {
        return Math.sqrt(Arrays.stream(samples).map(each -> each * each).sum());
    }

    private static double[] sum(List<double[]> parts, double... gains) {
        double[] sum = new double[parts.get(0).length];
        for (int p = 0; p < parts.size(); p++) {
            for (int i = 0; i < sum.length; i++) {
                sum[i] += gains[p % gains.length] * parts.get(p)[i];
            }
        }
        return sum;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void theMixIsFoundAmongItsTracksAndNothingWithoutIt(long seed) throws IOException {
        MadeUpSong song = new MadeUpSong(new SplittableRandom(seed));
        List<double[]> tracks = new ArrayList<>(song.tracks);
        assertThat(find(tracks)).as("tracks alone are no sum of each other").isEmpty();
        double[] mix = sum(tracks, 0.5, 0.3, 0.8);
        for (int i = 0; i < mix.length; i++) {
            mix[i] = 0.8 * Math.tanh(1.2 * mix[i]);
        }
        tracks.add(1, mix);
        assertThat(find(tracks)).hasValueSatisfying(found -> {
            assertThat(found.sound()).isEqualTo(1);
            assertThat(found.parts())
                    .hasSizeGreaterThanOrEqualTo(tracks.size() - 2)
                    .doesNotContain(1);
        });
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void aGroupBesideItsMembersIsFoundWithThem(long seed) throws IOException {
        MadeUpSong song = new MadeUpSong(new SplittableRandom(seed));
        List<double[]> sounds = new ArrayList<>(song.tracks);
        sounds.add(sum(song.tracks.subList(0, 2), 1 / rms(song.tracks.get(0)), 1 / rms(song.tracks.get(1))));
        assertThat(find(sounds)).hasValueSatisfying(found -> {
            assertThat(found.sound()).isEqualTo(sounds.size() - 1);
            assertThat(found.parts()).containsExactly(0, 1);
            assertThat(found.explained()).isGreaterThan(0.999);
        });
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32})
    void aTrackThatStartsLaterIsAPartAllTheSame(long seed) throws IOException {
        MadeUpSong song = new MadeUpSong(new SplittableRandom(seed));
        List<double[]> sounds = new ArrayList<>(song.tracks);
        sounds.add(sum(song.tracks, 0.5));
        int cut = 3 * RATE.hertz();
        sounds.set(0, Arrays.copyOfRange(sounds.get(0), cut, sounds.get(0).length));
        assertThat(find(sounds, 3))
                .hasValueSatisfying(found -> assertThat(found.sound()).isEqualTo(sounds.size() - 1));
    }

    @ParameterizedTest
    @ValueSource(longs = {41, 42})
    void theSameSoundTwiceIsNoSum(long seed) throws IOException {
        MadeUpSong song = new MadeUpSong(new SplittableRandom(seed));
        List<double[]> sounds = new ArrayList<>(song.tracks);
        sounds.add(sum(List.of(song.tracks.get(0)), 0.5));
        assertThat(find(sounds)).isEmpty();
    }
}
