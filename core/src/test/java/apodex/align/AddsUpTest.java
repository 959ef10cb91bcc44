package apodex.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

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
import java.util.SplittableRandom;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Mixes made by adding: what went in must come out. */
class AddsUpTest {
    private static final int CUT = 48_000;
    private static final double[] GAINS_DB = {-3, 0, -9, -6};

    @TempDir
    private Path folder;

    private final MadeUpSong song = new MadeUpSong(new SplittableRandom(11));
    private final List<PcmReader> open = new ArrayList<>();

    @AfterEach
    void close() throws IOException {
        for (PcmReader reader : open) {
            reader.close();
        }
    }

    private MonoSound sound(double[] samples) throws IOException {
        Path file = Files.createTempFile(folder, "sound", ".wav");
        Files.write(
                file,
                SoundBytes.riff()
                        .format(3, 1, MadeUpSong.HERTZ, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                        .wave());
        PcmReader reader = new PcmReader(file, SoundFile.examine(file));
        open.add(reader);
        return new MonoSound(reader, new SampleRate(MadeUpSong.HERTZ));
    }

    private double[] mixOf(int parts) {
        double[] mix = new double[song.frames];
        for (int p = 0; p < parts; p++) {
            double gain = Math.pow(10, GAINS_DB[p] / 20) * (p == 2 ? -1 : 1);
            for (int i = 0; i < song.frames; i++) {
                mix[i] += gain * song.tracks.get(p)[i];
            }
        }
        return mix;
    }

    @Test
    void gainsAndPolarityAreWhatTheyWereAndAllIsExplained() throws IOException {
        AddsUp sum = new AddsUp(sound(mixOf(4)));
        for (int p = 0; p < 4; p++) {
            double[] track = song.tracks.get(p);
            sum.add(sound(p == 1 ? Arrays.copyOfRange(track, CUT, track.length) : track), p == 1 ? CUT : 0);
        }
        AddsUp.Result result = sum.fit();
        assertThat(result.explained()).isGreaterThan(0.98);
        for (int p = 0; p < 4; p++) {
            assertThat(result.gains().get(p))
                    .isCloseTo(Math.pow(10, GAINS_DB[p] / 20) * (p == 2 ? -1 : 1), withinPercentage(4));
        }
    }

    @Test
    void whatIsNotThereIsLeftOverAndWhatDoesNotBelongIsNotUsed() throws IOException {
        double[] without = mixOf(2);
        double[] whole = mixOf(4);
        double missing = 0;
        double all = 0;
        for (int i = 0; i < whole.length; i++) {
            missing += (whole[i] - without[i]) * (whole[i] - without[i]);
            all += whole[i] * whole[i];
        }
        AddsUp sum = new AddsUp(sound(whole));
        sum.add(sound(song.tracks.get(0)), 0);
        sum.add(sound(song.tracks.get(1)), 0);
        sum.add(sound(song.stranger(3)), 0);
        AddsUp.Result result = sum.fit();
        assertThat(result.explained()).isCloseTo(1 - missing / all, within(0.15));
        assertThat(Math.abs(result.gains().get(2))).isLessThan(0.18);
    }

    @Test
    void nothingExplainsNothing() throws IOException {
        AddsUp.Result result = new AddsUp(sound(mixOf(2))).fit();
        assertThat(result.explained()).isZero();
        assertThat(result.pieces()).hasSize(AddsUp.PIECES);
    }
}
