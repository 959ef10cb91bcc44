package apodex.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.align.Sighting.Certainty;
import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AlignerTest {
    private static final SampleRate RATE = new SampleRate(MadeUpSong.HERTZ);

    @TempDir
    private Path folder;

    private MadeUpSong song;

    @BeforeEach
    void make() {
        song = new MadeUpSong(new SplittableRandom(7));
    }

    private Sighting find(double[] reference, double[] came, int channels) throws IOException {
        try (PcmReader first = open("reference.wav", reference, 1);
                PcmReader second = open("came.wav", came, channels)) {
            return new Aligner(new MonoSound(first, RATE)).find(new MonoSound(second, RATE));
        }
    }

    private PcmReader open(String name, double[] samples, int channels) throws IOException {
        Path file = folder.resolve(name);
        Files.write(
                file,
                SoundBytes.riff()
                        .format(3, channels, RATE.hertz(), 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                        .wave());
        return new PcmReader(file, SoundFile.examine(file));
    }

    @Test
    void aTwinAGainAwayIsKnownByItsGainAndLikeness() throws IOException {
        double[] track = song.tracks.get(3);
        Sighting found =
                find(track, Arrays.stream(track).map(sample -> sample * 0.5).toArray(), 1);
        assertThat(found.certainty()).isEqualTo(Certainty.SURE);
        assertThat(found.frame()).isZero();
        assertThat(found.gainDb()).isCloseTo(6.0206, within(1e-3));
        assertThat(found.likeness()).isCloseTo(1, within(1e-6));
    }

    @Test
    void aTrackOfAMixIsAPartOfIt() throws IOException {
        Sighting found = find(song.mix, song.tracks.get(3), 1);
        assertThat(found.likeness()).isBetween(0.05, 0.95);
    }

    @Test
    void sidesThatCancelAreHeardOneByOne() throws IOException {
        double[] track = song.tracks.get(3);
        double[] opposite = new double[2 * track.length];
        for (int i = 0; i < track.length; i++) {
            opposite[2 * i] = track[i];
            opposite[2 * i + 1] = -track[i];
        }
        Sighting found = find(track, opposite, 2);
        assertThat(found.certainty()).isEqualTo(Certainty.SURE);
        assertThat(found.inverted()).isFalse();
    }

    @Test
    void nothingIsFoundInSilenceOrOfIt() throws IOException {
        assertThat(find(song.mix, new double[48_000], 1).certainty()).isEqualTo(Certainty.UNKNOWN);
        assertThat(find(new double[480_000], song.tracks.get(0), 1).certainty()).isEqualTo(Certainty.UNKNOWN);
        assertThat(find(song.mix, new double[] {0.5}, 1).certainty()).isEqualTo(Certainty.UNKNOWN);
    }

    /** Noise that runs round in a loop and dulls a little each time, as a string does (Karplus and Strong, 1983). */
    private static double[] pluck(double period, int frames, SplittableRandom random) {
        double[] string = new double[frames];
        int whole = (int) period;
        double share = period - whole;
        for (int i = 0; i < frames; i++) {
            string[i] = i < whole + 2
                    ? 2 * random.nextDouble() - 1
                    : 0.9999 * ((1 - share) * string[i - whole] + share * string[i - whole - 1]);
        }
        return string;
    }

    private double ownLead(double[] samples) throws IOException {
        try (PcmReader in = open("own.wav", samples, 1)) {
            MonoSound sound = new MonoSound(in, RATE);
            return new Stretches(sound, sound, Outline.of(sound), null, 1, 0, 1_024).ownLead();
        }
    }

    @Test
    void aSingleNoteOfAStringStandsOutFromItselfLessThanMusicDoes() throws IOException {
        for (double period : new double[] {489.8, 244.9, 327.3, 145.4}) {
            assertThat(ownLead(pluck(period, 4 * RATE.hertz(), new SplittableRandom(3))))
                    .as("period %s", period)
                    .isLessThan(4);
        }
        for (double[] track : song.tracks) {
            assertThat(ownLead(track)).isGreaterThan(4);
        }
    }

    @Test
    void aBarThatIsRepeatedExactlyHasNoSurePlace() throws IOException {
        double[] bar = Arrays.copyOf(song.tracks.get(3), 96_000);
        double[] loop = new double[96_000 * 12];
        for (int i = 0; i < 12; i++) {
            System.arraycopy(bar, 0, loop, i * 96_000, 96_000);
        }
        assertThat(find(loop, Arrays.copyOf(loop, 96_000 * 4), 1).certainty()).isNotEqualTo(Certainty.SURE);
    }
}
