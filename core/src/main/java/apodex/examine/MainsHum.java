package apodex.examine;

import apodex.measure.Lanes;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Hum of the mains, 50 or 60 Hz and its multiples: lines that stand at one height through the whole recording, also where
 * nothing else sounds. A bass note may stand there for a bar, but does not stay.
 */
final class MainsHum implements Watch {
    private static final int HERTZ = 1_000;
    private static final double WINDOW_SECONDS = 2;
    private static final int MOST_WINDOWS = 600;
    private static final int[] MAINS = {50, 60};
    /** Lines that are looked for: the ground tone and what rectifiers and transformers make of it. */
    private static final int MULTIPLES = 6;

    private static final double STANDS_OUT_DB = 15;
    private static final double HEARD_DBFS = -80;
    private static final double STEADY_DB = 6;
    /** In so many of the quiet windows. */
    private static final double NEARLY_ALL = 0.7;

    private static final int FEWEST_WINDOWS = 3;
    /** Of all windows, those that are looked at: a hum stands out where little else sounds. */
    private static final double QUIET = 0.2;

    private final int step;
    private final double[] samples;
    private int filled;
    private double sum;
    private double last;
    private int counted;

    MainsHum(SampleRate rate) {
        step = Math.max(1, rate.hertz() / HERTZ);
        double lowRate = (double) rate.hertz() / step;
        window = (int) (WINDOW_SECONDS * lowRate);
        samples = new double[window * MOST_WINDOWS];
        this.lowRate = lowRate;
    }

    private final int window;
    private final double lowRate;

    /** Sums of {@code step} samples, twice: enough of a low-pass for lines that are looked for one by one. */
    @Override
    public void hear(double[][] block, int frames, long first, double peak) {
        for (int i = 0; i < frames && filled < samples.length; ) {
            int to = Math.min(frames, i + step - counted);
            sum += Lanes.sum(block[0], i, to);
            counted += to - i;
            i = to;
            if (counted == step) {
                double mean = sum / step;
                samples[filled++] = (mean + last) / 2;
                last = mean;
                sum = 0;
                counted = 0;
            }
        }
    }

    @Override
    public Optional<Oddity> tell() {
        int windows = filled / window;
        if (windows < FEWEST_WINDOWS) {
            return Optional.empty();
        }
        double[][] spectra = IntStream.range(0, windows)
                .boxed()
                .filter(number -> energy(number) > 0)
                .sorted(Comparator.comparingDouble(this::energy))
                .limit(Math.max(FEWEST_WINDOWS, (long) (windows * QUIET)))
                .map(this::spectrum)
                .toArray(double[][]::new);
        if (spectra.length < FEWEST_WINDOWS) {
            return Optional.empty();
        }
        for (int mains : MAINS) {
            List<Integer> lines = new ArrayList<>();
            double strongest = 0;
            for (int multiple = 1; multiple <= MULTIPLES; multiple++) {
                double level = steadyLine(spectra, mains * multiple);
                if (level > 0) {
                    lines.add(mains * multiple);
                    strongest = Math.max(strongest, level);
                }
            }
            if (lines.size() >= 2 || lines.size() == 1 && lines.get(0) == mains) {
                return Optional.of(new Oddity(
                        Oddity.Kind.HUM,
                        String.format(
                                Locale.ROOT,
                                "It hums with the mains at %d Hz%s, %.0f dBFS.",
                                lines.get(0),
                                lines.size() > 1 ? " and " + (lines.size() - 1) + " of its multiples" : "",
                                20 * Math.log10(strongest)),
                        0));
            }
        }
        return Optional.empty();
    }

    private double energy(int number) {
        double sum = 0;
        for (int i = number * window; i < (number + 1) * window; i++) {
            sum += samples[i] * samples[i];
        }
        return sum;
    }

    /** Amplitudes of a window, by a Hann window. */
    private double[] spectrum(int number) {
        double[] data = new double[window];
        double hann = 0;
        for (int i = 0; i < window; i++) {
            double weight = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / window);
            data[i] = samples[number * window + i] * weight;
            hann += weight;
        }
        new DoubleFFT_1D(window).realForward(data);
        double[] amplitudes = new double[window / 2];
        for (int i = 1; i < amplitudes.length; i++) {
            amplitudes[i] = 2 * Math.hypot(data[2 * i], data[2 * i + 1]) / hann;
        }
        return amplitudes;
    }

    /** The usual amplitude of a line that stands out and holds still in nearly all windows; 0 when it does not. */
    private double steadyLine(double[][] spectra, int hertz) {
        int bin = (int) Math.round(hertz * window / lowRate);
        if (bin + 8 >= spectra[0].length) {
            return 0;
        }
        double[] levels = new double[spectra.length];
        int standing = 0;
        for (int w = 0; w < spectra.length; w++) {
            double line = Math.max(spectra[w][bin], Math.max(spectra[w][bin - 1], spectra[w][bin + 1]));
            double around = 0;
            for (int i = 3; i <= 8; i++) {
                around = Math.max(around, Math.max(spectra[w][bin - i], spectra[w][bin + i]));
            }
            levels[w] = line;
            standing += line > around * Math.pow(10, STANDS_OUT_DB / 20) ? 1 : 0;
        }
        double[] sorted = levels.clone();
        Arrays.sort(sorted);
        double usual = sorted[sorted.length / 2];
        long steady = Arrays.stream(levels)
                .filter(level -> Math.abs(20 * Math.log10(level / usual)) < STEADY_DB)
                .count();
        boolean stands = standing >= NEARLY_ALL * spectra.length;
        boolean loud = 20 * Math.log10(usual) > HEARD_DBFS;
        return stands && loud && steady >= NEARLY_ALL * spectra.length ? usual : 0;
    }
}
