package apodex.measure;

import apodex.audio.BroadcastExtension;
import apodex.audio.PcmDecoder;
import apodex.audio.PcmLayout;
import apodex.audio.SampleFormat;
import apodex.audio.SoundWriter;
import apodex.time.SampleRate;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/** Measures a sound as its stored frames come along, from front to back, however long it will be. */
public final class SoundMeter implements SoundWriter.Listener {
    /** As many as stay in the processor's nearest cache. */
    private static final int BLOCK_FRAMES = 2_048;

    private static final byte[] ZEROS = new byte[1 << 12];

    private final PcmLayout layout;
    private final double fullScale;
    private final SoundPicture picture = new SoundPicture();
    private final ChannelScan[] scans;
    private final Loudness loudness;
    private final TruePeak truePeak;
    private final double[][] block;
    private double lowest;
    private double highest;
    private long frames;
    private double loudest;
    private long loudestFrame;
    private long firstSound = -1;
    private long atFullScale;

    /** @param layout how the frames lie in what comes; the offset does not matter */
    public SoundMeter(SampleRate rate, PcmLayout layout) {
        int channels = layout.channels();
        this.layout = layout;
        this.fullScale = layout.sample().fullScale();
        this.scans =
                IntStream.range(0, channels).mapToObj(c -> new ChannelScan()).toArray(ChannelScan[]::new);
        this.loudness = new Loudness(rate, channels);
        this.truePeak = new TruePeak(rate, channels);
        this.block = new double[channels][BLOCK_FRAMES];
    }

    @Override
    public void frames(byte[] raw, int count) {
        for (int from = 0; from < count; from += BLOCK_FRAMES) {
            int start = from * layout.frameBytes();
            int here = Math.min(BLOCK_FRAMES, count - from);
            if (isSilent(raw, start, here)) {
                silence(here);
            } else {
                sound(raw, start, here);
            }
            frames += here;
        }
    }

    private void sound(byte[] raw, int start, int count) {
        PcmDecoder.decode(raw, start, layout, 0, count, block, 0);
        double peak = draw(count);
        if (peak > 0 && firstSound < 0) {
            firstSound = frames + firstAtLeast(Double.MIN_VALUE, count);
        }
        if (peak > loudest) {
            loudest = peak;
            loudestFrame = frames + firstAtLeast(peak, count);
        }
        if (peak >= fullScale) {
            countFullScale(count);
        }
        for (int c = 0; c < block.length; c++) {
            scans[c].add(block[c], 0, count, frames);
        }
        loudness.add(block, count);
        truePeak.add(block, count, peak);
    }

    /** Bytes that are all zero are silence in every format that is printed. */
    private boolean isSilent(byte[] raw, int start, int count) {
        int end = start + count * layout.frameBytes();
        for (int from = start; from < end; from += ZEROS.length) {
            int length = Math.min(ZEROS.length, end - from);
            if (Arrays.mismatch(raw, from, from + length, ZEROS, 0, length) >= 0) {
                return false;
            }
        }
        return layout.sample() != SampleFormat.UINT8;
    }

    private void silence(int count) {
        for (int left = count; left > 0; ) {
            int here = (int) Math.min(left, picture.left());
            picture.add(here, 0, 0);
            left -= here;
        }
        loudness.silence(count);
        truePeak.silence(count);
    }

    /** @return the loudest of these frames */
    private double draw(int count) {
        double peak = 0;
        for (int from = 0; from < count; ) {
            int to = (int) Math.min(count, from + picture.left());
            double low = 0;
            double high = 0;
            for (double[] channel : block) {
                low = Math.min(low, Extremes.lowest(channel, from, to));
                high = Math.max(high, Extremes.highest(channel, from, to));
            }
            picture.add(to - from, low, high);
            lowest = Math.min(lowest, low);
            highest = Math.max(highest, high);
            peak = Math.max(peak, Math.max(-low, high));
            from = to;
        }
        return peak;
    }

    private int firstAtLeast(double amplitude, int count) {
        for (int i = 0; i < count; i++) {
            for (double[] channel : block) {
                if (Math.abs(channel[i]) >= amplitude) {
                    return i;
                }
            }
        }
        return 0;
    }

    private void countFullScale(int count) {
        for (double[] channel : block) {
            for (int i = 0; i < count; i++) {
                if (channel[i] >= fullScale || channel[i] <= -1) {
                    atFullScale++;
                }
            }
        }
    }

    /** What was measured of all that came. */
    public SoundMeasures measures() {
        double peak = Math.max(-lowest, highest);
        return new SoundMeasures(
                firstSound < 0 ? null : firstSound,
                peak == 0 ? null : Decibels.ofAmplitude(peak),
                peak == 0 ? null : loudestFrame,
                peak == 0 ? null : truePeak.dbtp(),
                loudness.whole().orElse(null),
                offset(),
                atFullScale,
                picture.toBytes(),
                fingerprint());
    }

    private double[] fingerprint() {
        return Arrays.stream(scans)
                .flatMapToDouble(scan -> Arrays.stream(scan.fingerprint()))
                .toArray();
    }

    private double offset() {
        double most = 0;
        for (ChannelScan scan : scans) {
            double mean = frames == 0 ? 0 : scan.sum() / frames;
            most = Math.abs(mean) > Math.abs(most) ? mean : most;
        }
        return most;
    }

    @Override
    public Optional<BroadcastExtension.Loudness> loudness() {
        return loudness.whole()
                .map(whole -> new BroadcastExtension.Loudness(
                        whole.integratedLufs(),
                        whole.rangeLu(),
                        truePeak.dbtp(),
                        whole.maxMomentaryLufs(),
                        whole.maxShortTermLufs()));
    }
}
