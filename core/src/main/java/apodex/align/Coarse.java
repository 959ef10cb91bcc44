package apodex.align;

import java.util.Arrays;
import org.jtransforms.fft.DoubleFFT_1D;

/** Finds an outline in another, over every shift at once. */
final class Coarse {
    /** Outline samples of a sound that are looked for, the loudest stretch of a longer one: four minutes. */
    private static final int MOST_SAMPLES = 240 * Outline.HERTZ;
    /** Up to here all shifts are looked at in one transform; longer references go piece by piece. */
    private static final int ONE_TRANSFORM = 1 << 21;

    private static final double REACH_HERTZ = 12;
    /** Places nearer than a fiftieth of a second are the same place. */
    private static final int APART = Outline.HERTZ / 50;
    /** Less than a tenth of a second in common says nothing. */
    private static final int LEAST_COMMON = Outline.HERTZ / 10;

    private final double[] reference;
    private final double step;
    /** Of the whole reference, for sounds of the usual length. */
    private Whitened kept;

    Coarse(Outline reference) {
        this.reference = reference.samples();
        this.step = reference.step();
    }

    /**
     * The highest peak.
     *
     * @param frame  of the reference, where the sound's first frame lies
     * @param height in standard deviations
     * @param lead   over the next
     */
    record Peak(double frame, double height, double lead) {}

    /** @param sound whose samples are as far apart as the reference's */
    Peak find(Outline sound) {
        int from = loudest(sound);
        int count = Math.min(MOST_SAMPLES, sound.samples().length);
        int size = size(count);
        DoubleFFT_1D fft = new DoubleFFT_1D(size);
        int reach = (int) Math.max(4, REACH_HERTZ * size / Outline.HERTZ);
        double[] piece = Arrays.copyOfRange(sound.samples(), from, from + count);
        Whitened earlier = new Whitened(fft, size, piece, count, reach);
        Highest highest = new Highest(count);
        if (size >= reference.length + count) {
            if (kept == null || kept.size() != size) {
                kept = new Whitened(fft, size, reference, reference.length, reach);
            }
            highest.take(kept.correlation(earlier), 0, 1 - count, reference.length);
        } else {
            int hop = size - count;
            for (int first = -count; first < reference.length; first += hop) {
                int start = Math.max(0, first);
                int end = Math.min(reference.length, first + size);
                double[] samples = new double[size];
                System.arraycopy(reference, start, samples, start - first, end - start);
                Whitened later = new Whitened(fft, size, samples, size, reach);
                highest.take(later.correlation(earlier), first, first, first + hop);
            }
        }
        return highest.peak(from);
    }

    private int size(int count) {
        int size = 1 << 14;
        while (size < reference.length + count && size < ONE_TRANSFORM || size < 2 * count) {
            size <<= 1;
        }
        return size;
    }

    private static int loudest(Outline sound) {
        int extra = sound.samples().length - MOST_SAMPLES;
        int best = 0;
        double most = -1;
        for (int first = 0; first <= extra; first += Outline.HERTZ * 10) {
            double energy = sound.energy(first, MOST_SAMPLES);
            if (energy > most) {
                most = energy;
                best = first;
            }
        }
        return best;
    }

    /** Keeps the highest peaks of what comes piece by piece. */
    private final class Highest {
        private final int count;
        private double squares;
        private long counted;
        private double height;
        private int at;
        private double next;

        Highest(int count) {
            this.count = count;
        }

        void take(double[] correlation, int first, int fromShift, int toShift) {
            double before = height;
            int beforeAt = at;
            for (int shift = fromShift; shift < toShift; shift++) {
                if (isTold(shift)) {
                    double value = Math.abs(correlation[Math.floorMod(shift - first, correlation.length)]);
                    squares += value * value;
                    counted++;
                    if (value > height) {
                        height = value;
                        at = shift;
                    }
                }
            }
            if (at != beforeAt && Math.abs(at - beforeAt) > APART) {
                next = Math.max(next, before);
            }
            for (int shift = fromShift; shift < toShift; shift++) {
                if (Math.abs(shift - at) > APART && isTold(shift)) {
                    next = Math.max(next, Math.abs(correlation[Math.floorMod(shift - first, correlation.length)]));
                }
            }
        }

        private boolean isTold(int shift) {
            return Math.min(shift + count, reference.length) - Math.max(0, shift) >= LEAST_COMMON;
        }

        Peak peak(int pieceFrom) {
            double deviation = Math.sqrt(squares / Math.max(1, counted));
            return new Peak(
                    (at - pieceFrom) * step,
                    deviation > 0 ? height / deviation : 0,
                    next > 0 ? height / next : height > 0 ? 100 : 0);
        }
    }
}
