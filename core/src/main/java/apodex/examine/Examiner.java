package apodex.examine;

import apodex.audio.PcmReader;
import apodex.measure.Lanes;
import apodex.measure.StereoImage;
import apodex.time.SampleRate;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Hears a recording once, with everything that listens for something. */
public final class Examiner {
    private static final int BLOCK_FRAMES = 4_096;
    /** A sixteen-bit step below full scale is the least that counts as sound at either end. */
    private static final double NOTHING = 1.0 / 65_536;

    private final int channels;
    private final List<Watch> watches;
    private final double[] peaks;
    private final double[] pieces = new double[Examination.PIECES];
    private final long length;
    private double difference;
    private long loudest;
    private double loudestPeak;
    private long firstSound = -1;
    private long lastSound;

    private Examiner(int channels, double fullScale, SampleRate rate, long frames) {
        this.channels = channels;
        this.length = frames;
        this.peaks = new double[channels];
        this.watches = List.of(
                new ClippedStretches(channels, fullScale),
                new Offset(channels),
                new MainsHum(rate),
                new Beginning(rate),
                new Ending(rate, frames),
                new TurnedSide(channels));
    }

    /** @throws IOException when it cannot be read to its end */
    public static Examination examine(PcmReader in, SampleRate rate) throws IOException {
        int channels = in.layout().channels();
        Examiner examiner = new Examiner(channels, in.layout().sample().fullScale(), rate, in.frames());
        double[][] block = new double[channels][BLOCK_FRAMES];
        for (long first = 0; first < in.frames(); first += BLOCK_FRAMES) {
            int frames = (int) Math.min(BLOCK_FRAMES, in.frames() - first);
            in.read(first, frames, 0, block, 0);
            examiner.hear(block, frames, first);
        }
        return examiner.tell(in.frames());
    }

    private void hear(double[][] block, int frames, long first) {
        double blockPeak = 0;
        for (int c = 0; c < channels; c++) {
            double peak = Lanes.peak(block[c], 0, frames);
            peaks[c] = Math.max(peaks[c], peak);
            blockPeak = Math.max(blockPeak, peak);
        }
        if (blockPeak > loudestPeak) {
            loudestPeak = blockPeak;
            loudest = first + indexOf(block, frames, blockPeak);
        }
        if (channels > 1) {
            double most = difference;
            for (int i = 0; i < frames; i++) {
                double apart = Math.abs(block[0][i] - block[1][i]);
                most = apart > most ? apart : most;
            }
            difference = most;
        }
        if (blockPeak > 0) {
            loudness(block, frames, first);
            ends(block, frames, first);
        }
        for (Watch watch : watches) {
            watch.hear(block, frames, first, blockPeak);
        }
    }

    private static int indexOf(double[][] block, int frames, double size) {
        for (int i = 0; i < frames; i++) {
            for (double[] channel : block) {
                if (Math.abs(channel[i]) == size) {
                    return i;
                }
            }
        }
        return 0;
    }

    private void loudness(double[][] block, int frames, long first) {
        for (int i = 0; i < frames; ) {
            int piece = (int) ((first + i) * pieces.length / length);
            int to = (int) Math.min(frames, ((piece + 1L) * length + pieces.length - 1) / pieces.length - first);
            pieces[piece] += Lanes.squares(block[0], i, to);
            i = Math.max(i + 1, to);
        }
    }

    private List<Double> shape() {
        double all = Arrays.stream(pieces).sum();
        return Arrays.stream(pieces)
                .mapToObj(piece -> all == 0 ? 0 : Math.sqrt(piece / all))
                .toList();
    }

    private void ends(double[][] block, int frames, long first) {
        if (firstSound < 0) {
            for (int i = 0; i < frames && firstSound < 0; i++) {
                firstSound = isSound(block, i) ? first + i : -1;
            }
        }
        for (int i = frames - 1; i >= 0; i--) {
            if (isSound(block, i)) {
                lastSound = first + i + 1;
                return;
            }
        }
    }

    private boolean isSound(double[][] block, int at) {
        for (int c = 0; c < channels; c++) {
            if (Math.abs(block[c][at]) > NOTHING) {
                return true;
            }
        }
        return false;
    }

    private Examination tell(long frames) {
        double right = channels > 1 ? peaks[1] : peaks[0];
        StereoImage.Kind kind = new StereoImage(peaks[0], right, difference, channels == 1).kind();
        List<Oddity> oddities = loudestPeak == 0
                ? List.of(new Oddity(Oddity.Kind.SILENT, "There is no sound in it at all.", 0))
                : java.util.stream.Stream.concat(
                                Sides.of(kind, channels).stream(),
                                watches.stream().map(Watch::tell).flatMap(Optional::stream))
                        .toList();
        return new Examination(
                loudestPeak, loudest, kind, firstSound < 0 ? frames : firstSound, lastSound, shape(), oddities);
    }
}
