package apodex.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jtransforms.fft.DoubleFFT_1D;
import org.visnow.jlargearrays.ConcurrencyUtils;

/**
 * Finds by how many frames one sound is later than another: the correlation of both for every shift up to a second, computed by Fourier
 * transforms of stretch after stretch. Spectra are whitened (each frequency counts alike), so that a deep tone has one peak and not one
 * for every period.
 */
final class ShiftFinder {
    private static final int MOST_PEAKS = 4;
    /** Of the loudest bin, what counts as nothing when spectra are whitened. */
    private static final double FLOOR = 1e-12;

    static {
        ConcurrencyUtils.setNumberOfThreads(1); // whoever calls decides on threads
    }

    private final int most;
    private final int stretch;
    private final DoubleFFT_1D fft;
    private final double[] cross;

    /** @param most frames of the longest shift, either way */
    ShiftFinder(int most) {
        this.most = most;
        int size = Integer.highestOneBit(4 * Math.max(16, most) - 1) << 1;
        this.stretch = size - 2 * most;
        this.fft = new DoubleFFT_1D(size);
        this.cross = new double[2 * size];
    }

    /** Frames that {@link #add} takes of the later sound at once. */
    int stretch() {
        return stretch;
    }

    /**
     * Adds a stretch.
     *
     * @param late  {@link #stretch()} frames
     * @param early the same stretch and {@code most} frames before and after it
     */
    void add(double[] late, double[] early) {
        int size = cross.length / 2;
        double[] a = new double[2 * size];
        double[] b = new double[2 * size];
        System.arraycopy(late, 0, a, most, stretch);
        System.arraycopy(early, 0, b, 0, size);
        fft.realForwardFull(a);
        fft.realForwardFull(b);
        for (int i = 0; i < size; i++) {
            double re = a[2 * i] * b[2 * i] + a[2 * i + 1] * b[2 * i + 1];
            double im = a[2 * i + 1] * b[2 * i] - a[2 * i] * b[2 * i + 1];
            cross[2 * i] += re;
            cross[2 * i + 1] += im;
        }
    }

    /** The likeliest shifts of the later sound in frames, the best first: with whitened spectra, and with them as they are. */
    List<Integer> shifts() {
        List<Integer> found = new ArrayList<>(peaks(whitened()));
        for (int shift : peaks(cross.clone())) {
            if (!found.contains(shift)) {
                found.add(shift);
            }
        }
        return found;
    }

    private double[] whitened() {
        double[] white = cross.clone();
        double loudest = 0;
        for (int i = 0; i < white.length; i += 2) {
            loudest = Math.max(loudest, Math.hypot(white[i], white[i + 1]));
        }
        for (int i = 0; i < white.length; i += 2) {
            double size = Math.hypot(white[i], white[i + 1]);
            double gain = size > loudest * FLOOR ? 1 / size : 0;
            white[i] *= gain;
            white[i + 1] *= gain;
        }
        return white;
    }

    private List<Integer> peaks(double[] spectrum) {
        fft.complexInverse(spectrum, true);
        int size = spectrum.length / 2;
        double[] heights = new double[2 * most + 1];
        Arrays.setAll(heights, i -> Math.abs(spectrum[2 * Math.floorMod(i - most, size)]));
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < heights.length; i++) {
            boolean isPeak = (i == 0 || heights[i] >= heights[i - 1])
                    && (i == heights.length - 1 || heights[i] >= heights[i + 1])
                    && heights[i] > 0;
            if (isPeak) {
                found.add(i - most);
            }
        }
        found.sort(Comparator.comparingDouble(shift -> -heights[shift + most]));
        return found.subList(0, Math.min(MOST_PEAKS, found.size()));
    }
}
