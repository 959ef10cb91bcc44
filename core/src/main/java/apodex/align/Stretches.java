package apodex.align;

import apodex.audio.ResampleKernel;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * The loudest stretches of a sound, each held against the place in the reference where it should lie, sample by sample: what
 * shift each of them names, and all together.
 */
final class Stretches {
    static final int FRAMES = 1 << 15;
    private static final int MOST = 16;
    private static final int SIZE = 1 << 16;
    private static final int REACH = 12;
    /** Frames from a peak at which it is over. */
    private static final int APART = 3;

    private static final int FADE = FRAMES / 8;
    private static final DoubleFFT_1D FFT = new DoubleFFT_1D(SIZE);

    /**
     * One stretch.
     *
     * @param start       of the sound, in frames of the reference's rate
     * @param correlation for shifts from -reach to reach
     */
    private record Stretch(long start, double[] correlation) {}

    private final MonoSound reference;
    private final MonoSound sound;
    private final ResampleKernel kernel;
    private final int reach;
    private final List<Stretch> stretches = new ArrayList<>();

    /**
     * Holds them against the reference.
     *
     * @param kernel that makes the reference's rate of the sound's; null when they are the same
     * @param place  of the sound's first frame in the reference
     * @param reach  frames that it may really lie earlier or later
     */
    Stretches(
            MonoSound reference,
            MonoSound sound,
            Outline outline,
            ResampleKernel kernel,
            double ratio,
            long place,
            int reach)
            throws IOException {
        this.reference = reference;
        this.sound = sound;
        this.kernel = kernel;
        this.reach = reach;
        double[] own = new double[FRAMES];
        double[] there = new double[SIZE];
        for (long start : starts(outline, ratio, place, reference.frames())) {
            read(start, own);
            fadeEnds(own, FRAMES);
            reference.read(place + start - reach, FRAMES + 2 * reach, there);
            fadeEnds(there, FRAMES + 2 * reach);
            Arrays.fill(there, FRAMES + 2 * reach, SIZE, 0);
            Whitened later = new Whitened(FFT, SIZE, there, SIZE, REACH);
            Whitened earlier = new Whitened(FFT, SIZE, own, FRAMES, REACH);
            double[] correlation = Arrays.copyOf(later.correlation(earlier), 2 * reach + 1);
            stretches.add(new Stretch(start, correlation));
        }
    }

    private void read(long start, double[] into) throws IOException {
        if (kernel == null) {
            sound.read(start, FRAMES, into);
        } else {
            sound.read(kernel, start, FRAMES, into);
        }
    }

    /**
     * How much of the sound the reference holds at a place.
     *
     * @param gainDb   by which the sound comes nearest to the reference (least squares)
     * @param likeness of both, 0 to 1: 1 when they differ by a gain only
     */
    record Share(double gainDb, double likeness) {}

    Share shareAt(long place) throws IOException {
        double[] own = new double[FRAMES];
        double[] there = new double[FRAMES];
        double product = 0;
        double ownEnergy = 0;
        double energy = 0;
        for (Stretch stretch : stretches) {
            read(stretch.start(), own);
            reference.read(place + stretch.start(), FRAMES, there);
            for (int i = 0; i < FRAMES; i++) {
                product += own[i] * there[i];
                ownEnergy += own[i] * own[i];
                energy += there[i] * there[i];
            }
        }
        return ownEnergy == 0 || energy == 0
                ? new Share(0, 0)
                : new Share(
                        20 * Math.log10(Math.abs(product) / ownEnergy),
                        Math.abs(product) / Math.sqrt(ownEnergy * energy));
    }

    /** A cut is a sound of its own, and two cuts are alike. */
    private static void fadeEnds(double[] samples, int count) {
        for (int i = 0; i < FADE; i++) {
            double gain = 0.5 - 0.5 * Math.cos(Math.PI * (i + 0.5) / FADE);
            samples[i] *= gain;
            samples[count - 1 - i] *= gain;
        }
    }

    /** Where the loudest stretches start, spread over what the sound has in common with the reference. */
    private static List<Long> starts(Outline outline, double ratio, long place, long referenceFrames) {
        double step = outline.step() * ratio;
        int length = (int) (FRAMES / step);
        long from = Math.max(0, (long) (-place / step));
        long to = Math.min(outline.samples().length, (long) ((referenceFrames - place) / step));
        int zone = (int) Math.max(length, (to - from) / MOST);
        List<Long> starts = new ArrayList<>();
        for (long first = from; first + length <= to && starts.size() < MOST; first += zone) {
            long best = first;
            double most = 0;
            for (long at = first; at + length <= Math.min(to, first + zone); at += length / 2) {
                double energy = outline.energy((int) at, length);
                if (energy > most) {
                    most = energy;
                    best = at;
                }
            }
            if (most > 0) {
                starts.add(Math.round(best * step));
            }
        }
        if (starts.isEmpty() && to > from) {
            starts.add(Math.round(from * step));
        }
        return starts;
    }

    int count() {
        return stretches.size();
    }

    /**
     * A shift that some stretches name together.
     *
     * @param frames from where the sound was put; whole
     * @param rest   what is left of it by the shape of the peak, -0.5 to 0.5
     * @param height of the peak in standard deviations
     * @param lead   over anything more than two frames away
     */
    record Shift(int frames, double rest, double height, double lead, boolean inverted) {}

    Shift all() {
        return shift(sum(0, 1));
    }

    /** Of every {@code of}-th stretch, from number {@code part} on. */
    Shift part(int part, int of) {
        return shift(sum(part, of));
    }

    /**
     * How far the sound stands out from itself a little later: 1 when it repeats exactly, as a note of one plucked string does. What
     * repeats lies in several places at once, and no reference tells in which.
     */
    double ownLead() throws IOException {
        double[] own = new double[FRAMES];
        double[] sum = new double[2 * reach + 1];
        for (Stretch stretch : stretches) {
            read(stretch.start(), own);
            fadeEnds(own, FRAMES);
            Whitened itself = new Whitened(FFT, SIZE, own, FRAMES, REACH);
            double[] correlation = itself.correlation(itself);
            for (int i = 0; i < sum.length; i++) {
                sum[i] += correlation[i];
            }
        }
        double next = 0;
        for (int i = APART; i < sum.length; i++) {
            next = Math.max(next, Math.abs(sum[i]));
        }
        return next > 0 ? sum[0] / next : 100;
    }

    /** What each stretch names alone, with where it starts. */
    List<double[]> each() {
        List<double[]> each = new ArrayList<>();
        for (Stretch stretch : stretches) {
            Shift shift = shift(stretch.correlation());
            if (shift.height() > 8 && shift.lead() > 1.3) {
                each.add(new double[] {stretch.start(), shift.frames() + shift.rest()});
            }
        }
        return each;
    }

    private double[] sum(int part, int of) {
        double[] sum = new double[2 * reach + 1];
        for (int s = part; s < stretches.size(); s += of) {
            double[] correlation = stretches.get(s).correlation();
            for (int i = 0; i < sum.length; i++) {
                sum[i] += correlation[i];
            }
        }
        return sum;
    }

    private Shift shift(double[] correlation) {
        int at = 0;
        double squares = 0;
        for (int i = 0; i < correlation.length; i++) {
            squares += correlation[i] * correlation[i];
            at = Math.abs(correlation[i]) > Math.abs(correlation[at]) ? i : at;
        }
        double height = Math.abs(correlation[at]);
        double next = 0;
        for (int i = 0; i < correlation.length; i++) {
            if (Math.abs(i - at) >= APART) {
                next = Math.max(next, Math.abs(correlation[i]));
            }
        }
        double deviation = Math.sqrt((squares - height * height) / Math.max(1, correlation.length - 1));
        double rest = 0;
        if (at > 0 && at < correlation.length - 1) {
            double before = correlation[at - 1] / correlation[at];
            double after = correlation[at + 1] / correlation[at];
            double bend = before - 2 + after;
            rest = bend < 0 ? 0.5 * (before - after) / bend : 0;
        }
        return new Shift(
                at - reach,
                rest,
                deviation > 0 ? height / deviation : 0,
                next > 0 ? height / next : 100,
                correlation[at] < 0);
    }
}
