package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

final class PcmEncoderTest {
    private static final int FRAMES = 200_000;

    @ParameterizedTest
    @EnumSource(
            value = SampleFormat.class,
            names = {"INT16", "INT24", "INT32"})
    void everyIntegerComesBackExactly(SampleFormat sample) {
        double scale = Math.scalb(1.0, sample.bits() - 1);
        double[][] block = new double[2][1_000];
        SplittableRandom random = new SplittableRandom(1);
        for (double[] channel : block) {
            for (int i = 0; i < channel.length; i++) {
                channel[i] = (random.nextInt() >> 32 - sample.bits()) / scale;
            }
        }
        block[0][0] = -1;
        block[1][0] = (scale - 1) / scale;
        byte[] bytes = new byte[1_000 * 2 * sample.bytes()];
        PcmEncoder encoder = new PcmEncoder(sample, 2, 0);
        encoder.encode(block, 0, 1_000, 0, Dither.NONE, bytes);
        PcmLayout layout = new PcmLayout(0, 2, sample, ByteOrder.LITTLE_ENDIAN);
        for (int c = 0; c < 2; c++) {
            double[] back = new double[1_000];
            PcmDecoder.decode(bytes, layout, c, 1_000, back, 0);
            assertThat(back).isEqualTo(block[c]);
        }
        assertThat(encoder.overs()).isZero();
    }

    @Test
    void holdsWhatPassesFullScaleAndCountsIt() {
        PcmEncoder encoder = new PcmEncoder(SampleFormat.INT16, 1, 0);
        byte[] bytes = new byte[10];
        encoder.encode(new double[][] {{1.0, -1.0, -1.1, 0.99999, 7}}, 0, 5, 0, Dither.NONE, bytes);
        ByteBuffer read = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(new int[] {read.getShort(), read.getShort(), read.getShort(), read.getShort(), read.getShort()})
                .containsExactly(32767, -32768, -32768, 32767, 32767);
        assertThat(encoder.overs())
                .as("1.0, -1.1, 7, and 0.99999, which rounds to full scale")
                .isEqualTo(4);
    }

    @Test
    void floatsKeepWhatPassesFullScale() {
        byte[] bytes = new byte[8];
        new PcmEncoder(SampleFormat.FLOAT32, 1, 0).encode(new double[][] {{2.5, -1e-30}}, 0, 2, 0, Dither.NONE, bytes);
        ByteBuffer read = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(read.getFloat()).isEqualTo(2.5f);
        assertThat(read.getFloat()).isEqualTo(-1e-30f);
    }

    /**
     * Triangular dither of two steps makes the error's mean 0 and its variance a quarter of a step squared, whatever
     * the signal: 1/12 of rounding and 2/12 of two uniform noises (Lipshitz, Wannamaker, Vanderkooy 1992).
     */
    @ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(doubles = {0.0, 0.25, 0.5, 0.8})
    void ditherErrorDoesNotDependOnTheSignal(double stepFraction) {
        double level = (100 + stepFraction) / 32768;
        double[][] block = {new double[FRAMES]};
        java.util.Arrays.fill(block[0], level);
        byte[] bytes = new byte[FRAMES * 2];
        new PcmEncoder(SampleFormat.INT16, 1, 42).encode(block, 0, FRAMES, 0, Dither.TRIANGULAR, bytes);
        ByteBuffer read = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        double sum = 0;
        double squares = 0;
        for (int i = 0; i < FRAMES; i++) {
            double error = read.getShort() - level * 32768;
            sum += error;
            squares += error * error;
        }
        // Four standard errors of the estimates over 200,000 frames.
        assertThat(sum / FRAMES).isCloseTo(0, within(4 * 0.5 / Math.sqrt(FRAMES)));
        assertThat(squares / FRAMES).isCloseTo(0.25, within(0.004));
    }

    @Test
    void ditherDependsOnSeedFrameAndChannelOnly() {
        double[][] block = new double[2][500];
        byte[] whole = new byte[2_000];
        new PcmEncoder(SampleFormat.INT16, 2, 9).encode(block, 0, 500, 1_000, Dither.TRIANGULAR, whole);
        byte[] pieces = new byte[2_000];
        PcmEncoder again = new PcmEncoder(SampleFormat.INT16, 2, 9);
        again.encode(block, 123, 500, 1_000, Dither.TRIANGULAR, pieces);
        again.encode(block, 0, 123, 1_000, Dither.TRIANGULAR, pieces);
        assertThat(pieces).isEqualTo(whole);
        byte[] otherSeed = new byte[2_000];
        new PcmEncoder(SampleFormat.INT16, 2, 10).encode(block, 0, 500, 1_000, Dither.TRIANGULAR, otherSeed);
        assertThat(otherSeed).isNotEqualTo(whole);
    }

    @Test
    void policyFollowsItsTable() {
        assertThat(Dither.policy(false, SampleFormat.INT16)).isEqualTo(Dither.TRIANGULAR);
        assertThat(Dither.policy(true, SampleFormat.INT16)).isEqualTo(Dither.NONE);
        assertThat(Dither.policy(false, SampleFormat.INT24)).isEqualTo(Dither.NONE);
        assertThatThrownBy(() -> new PcmEncoder(SampleFormat.UINT8, 1, 0)).hasMessageContaining("8-bit");
    }

    @Test
    void knowsWhichFormatHoldsWhichExactly() {
        assertThat(SampleFormat.INT24.holdsExactly(SampleFormat.INT16)).isTrue();
        assertThat(SampleFormat.FLOAT32.holdsExactly(SampleFormat.INT24)).isTrue();
        assertThat(SampleFormat.FLOAT32.holdsExactly(SampleFormat.INT32)).isFalse();
        assertThat(SampleFormat.INT32.holdsExactly(SampleFormat.FLOAT32)).isFalse();
        assertThat(SampleFormat.INT16.holdsExactly(SampleFormat.UINT8)).isTrue();
    }
}
