package apodex.align;

import org.jtransforms.fft.DoubleFFT_1D;
import org.visnow.jlargearrays.ConcurrencyUtils;

/**
 * A spectrum in which every part of the band counts alike, so that what two sounds have in common shows as one narrow peak.
 * Evened out over neighbouring bins, not bin by bin: how a single bin happens to stand is what tells sounds apart.
 */
final class Whitened {
    /** Of the strongest band, what counts as nothing. */
    private static final double FLOOR = 1e-8;
    /** Of the band in which the earlier sound has most of the later, what counts half. */
    private static final double LITTLE = 1e-3;

    static {
        ConcurrencyUtils.setNumberOfThreads(1); // whoever calls decides on threads
    }

    private final DoubleFFT_1D fft;
    /** In the form of {@link DoubleFFT_1D#realForward}. */
    private final double[] bins;
    /** Of each bin before it was evened out. */
    private final double[] power;

    /**
     * The spectrum of {@code count} samples, with silence up to {@code size}.
     *
     * @param reach bins to either side that are evened out together
     */
    Whitened(DoubleFFT_1D fft, int size, double[] samples, int count, int reach) {
        this.fft = fft;
        this.bins = new double[size];
        this.power = new double[size / 2];
        System.arraycopy(samples, 0, bins, 0, count);
        fft.realForward(bins);
        bins[0] = 0; // neither offset nor the bin at half the rate says where a sound lies
        bins[1] = 0;
        double[] sums = new double[power.length + 1];
        for (int i = 0; i < power.length; i++) {
            sums[i + 1] = sums[i] + bins[2 * i] * bins[2 * i] + bins[2 * i + 1] * bins[2 * i + 1];
        }
        double most = 0;
        for (int i = 0; i < power.length; i++) {
            int from = Math.max(0, i - reach);
            int to = Math.min(power.length, i + reach + 1);
            power[i] = (sums[to] - sums[from]) / (to - from);
            most = Math.max(most, power[i]);
        }
        for (int i = 0; i < power.length; i++) {
            power[i] += FLOOR * most;
            double gain = power[i] > 0 ? 1 / Math.sqrt(power[i]) : 0;
            bins[2 * i] *= gain;
            bins[2 * i + 1] *= gain;
        }
    }

    int size() {
        return bins.length;
    }

    /**
     * How alike this and an earlier sound are for every shift. Bands in which the earlier one has next to nothing
     * of this one say nothing and are left out.
     *
     * @return for this being {@code i} samples later; negative shifts stand at the end
     */
    double[] correlation(Whitened earlier) {
        double most = 0;
        for (int i = 1; i < power.length; i++) {
            most = Math.max(most, share(earlier, i));
        }
        double[] cross = new double[bins.length];
        double[] other = earlier.bins;
        for (int i = 1; i < power.length; i++) {
            double share = share(earlier, i);
            double weight = share / (share + LITTLE * most + Double.MIN_NORMAL);
            int at = 2 * i;
            cross[at] = weight * (bins[at] * other[at] + bins[at + 1] * other[at + 1]);
            cross[at + 1] = weight * (bins[at + 1] * other[at] - bins[at] * other[at + 1]);
        }
        fft.realInverse(cross, true);
        return cross;
    }

    private double share(Whitened earlier, int bin) {
        return power[bin] > 0 ? earlier.power[bin] / power[bin] : 0;
    }
}
