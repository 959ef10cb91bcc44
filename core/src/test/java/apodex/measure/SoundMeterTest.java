package apodex.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.PcmLayout;
import apodex.audio.SampleFormat;
import apodex.time.SampleRate;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the meter says of random sounds, held against plain arithmetic over all of their samples. */
final class SoundMeterTest {
    private static final int FRAMES = 61_007;

    @ParameterizedTest(name = "{0} {1} {2} channels")
    @CsvSource({
        "INT24, LITTLE, 1",
        "INT24, LITTLE, 2",
        "INT24, BIG, 2",
        "INT16, LITTLE, 2",
        "INT16, BIG, 1",
        "FLOAT32, LITTLE, 2",
        "FLOAT32, BIG, 1",
        "INT32, LITTLE, 1"
    })
    void saysOfEverySampleWhatPlainArithmeticSays(SampleFormat sample, String order, int channels) {
        ByteOrder bytes = order.equals("BIG") ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
        Random random = new Random(sample.ordinal() * 10L + channels);
        double[][] sound = sound(sample, channels, random);
        byte[] raw = stored(sound, sample, bytes);
        PcmLayout layout = new PcmLayout(0, channels, sample, bytes);
        SoundMeter meter = new SoundMeter(new SampleRate(48_000), layout);
        for (int from = 0; from < FRAMES; ) { // in pieces of any length
            int count = Math.min(FRAMES - from, 1 + random.nextInt(9_000));
            byte[] piece = new byte[count * layout.frameBytes()];
            System.arraycopy(raw, from * layout.frameBytes(), piece, 0, piece.length);
            meter.frames(piece, count);
            from += count;
        }
        SoundMeasures measures = meter.measures();
        double peak = 0;
        double offset = 0;
        long first = -1;
        long full = 0;
        for (double[] channel : sound) {
            double sum = 0;
            for (int i = 0; i < FRAMES; i++) {
                peak = Math.max(peak, Math.abs(channel[i]));
                sum += channel[i];
                first = channel[i] != 0 && (first < 0 || i < first) ? i : first;
                full += channel[i] >= sample.fullScale() || channel[i] <= -1 ? 1 : 0;
            }
            offset = Math.abs(sum) > Math.abs(offset) ? sum : offset;
        }
        assertThat(measures.peakDbfs()).isCloseTo(20 * Math.log10(peak), within(1e-12));
        assertThat(measures.firstSoundFrame()).isEqualTo(first).isEqualTo(20_011);
        assertThat(measures.fullScaleSamples()).isEqualTo(full).isEqualTo(2);
        assertThat(measures.offset()).isCloseTo(offset / FRAMES, within(1e-12));
        assertThat(measures.truePeakDbtp()).isGreaterThanOrEqualTo(measures.peakDbfs());
        assertDrawn(measures.picture(), sound);
        Loudness loudness = new Loudness(new SampleRate(48_000), channels);
        loudness.add(sound, FRAMES);
        assertThat(measures.loudness().integratedLufs())
                .isCloseTo(loudness.integratedLufs().orElseThrow(), within(1e-9));
        double[][] turned = new double[channels][FRAMES];
        for (int c = 0; c < channels; c++) {
            for (int i = 0; i < FRAMES; i++) {
                turned[c][i] = -0.5 * sound[c][i];
            }
        }
        SoundMeter other = new SoundMeter(
                new SampleRate(48_000), new PcmLayout(0, channels, SampleFormat.FLOAT64, ByteOrder.BIG_ENDIAN));
        other.frames(stored(turned, SampleFormat.FLOAT64, ByteOrder.BIG_ENDIAN), FRAMES);
        assertThat(measures.factorTo(other.measures())).isCloseTo(-0.5, within(1e-9));
        turned[0][30_000] += 0.2;
        SoundMeter unlike = new SoundMeter(
                new SampleRate(48_000), new PcmLayout(0, channels, SampleFormat.FLOAT64, ByteOrder.BIG_ENDIAN));
        unlike.frames(stored(turned, SampleFormat.FLOAT64, ByteOrder.BIG_ENDIAN), FRAMES);
        assertThat(measures.factorTo(unlike.measures())).isNotEqualTo(-0.5);
    }

    /** Every point holds the extremes of its frames, and none that lie further off than the stretches a long sound is drawn from. */
    private static void assertDrawn(byte[] picture, double[][] sound) {
        ByteBuffer points = ByteBuffer.wrap(picture).order(ByteOrder.LITTLE_ENDIAN);
        int count = picture.length / 4;
        assertThat(count).isEqualTo(1_200);
        int stretch = Integer.highestOneBit(FRAMES / 4_096); // of at most 8,192 that halve when there are more
        for (int point = 0; point < count; point++) {
            int first = (int) (((long) point * FRAMES + count - 1) / count);
            int end = (int) (((point + 1L) * FRAMES + count - 1) / count);
            int low = points.getShort();
            int high = points.getShort();
            assertThat(low).isBetween(drawn(sound, first - stretch, end + stretch, -1), drawn(sound, first, end, -1));
            assertThat(high).isBetween(drawn(sound, first, end, 1), drawn(sound, first - stretch, end + stretch, 1));
        }
    }

    /** The lowest (-1) or highest (1) sample of a stretch as a picture has it. */
    private static int drawn(double[][] sound, int from, int to, int sign) {
        double most = 0;
        for (double[] channel : sound) {
            for (int i = Math.max(0, from); i < Math.min(FRAMES, to); i++) {
                most = Math.max(most, sign * channel[i]);
            }
        }
        return Math.round((float) (sign * most) * Short.MAX_VALUE);
    }

    /** Silence, noise with both ends of the scale in it once, silence inside of it, each value one the format holds. */
    private static double[][] sound(SampleFormat sample, int channels, Random random) {
        double step = sample.isFloat() ? Math.scalb(1, -23) : Math.scalb(1, 1 - sample.bits());
        double[][] sound = new double[channels][FRAMES];
        for (int i = 20_011; i < FRAMES - 5_000; i++) {
            for (double[] channel : sound) {
                boolean quiet = i > 40_000 && i < 45_500;
                channel[i] = quiet ? 0 : Math.rint((random.nextDouble() - 0.45) * 0.3 / step) * step;
            }
        }
        sound[0][20_011] = step;
        sound[channels - 1][50_000] = -1;
        sound[0][50_001] = sample.fullScale();
        return sound;
    }

    private static byte[] stored(double[][] sound, SampleFormat sample, ByteOrder order) {
        ByteBuffer out =
                ByteBuffer.allocate(FRAMES * sound.length * sample.bytes()).order(order);
        for (int i = 0; i < FRAMES; i++) {
            for (double[] channel : sound) {
                switch (sample) {
                    case FLOAT32 -> out.putFloat((float) channel[i]);
                    case FLOAT64 -> out.putDouble(channel[i]);
                    default -> integer(Math.round(Math.scalb(channel[i], sample.bits() - 1)), sample.bytes(), out);
                }
            }
        }
        return out.array();
    }

    private static void integer(long value, int bytes, ByteBuffer out) {
        for (int b = 0; b < bytes; b++) {
            int place = out.order() == ByteOrder.LITTLE_ENDIAN ? b : bytes - 1 - b;
            out.put((byte) (value >> 8 * place));
        }
    }
}
