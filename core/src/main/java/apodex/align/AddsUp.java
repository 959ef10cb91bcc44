package apodex.align;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.RealMatrix;
import org.apache.commons.math3.linear.RealVector;
import org.apache.commons.math3.linear.SingularValueDecomposition;

/**
 * How much of a reference its parts explain, each at the gain that fits best (least squares), below 1.6 kHz and heard in mono: level and
 * place count, colour and width do not.
 */
public final class AddsUp {
    /** Pieces of the reference that are told one by one. */
    public static final int PIECES = 24;
    /** One block in so many is looked at: they are spread evenly, and say the same. */
    private static final int EVERY = 4;

    private static final int BLOCK = Outline.HERTZ / 8;
    /** Below this share of the strongest, what several parts have in common is not told apart. */
    private static final double ALIKE = 1e-9;

    private final Outline reference;
    private final double hertz;
    private final List<Outline> parts = new ArrayList<>();
    /** Where each part starts, in outline samples of the reference. */
    private final List<Double> places = new ArrayList<>();

    /**
     * What came of it.
     *
     * @param explained  of the reference's energy, 0 to 1
     * @param pieces     the same for {@value #PIECES} equal pieces of the reference; 1 where it is silent
     * @param gains      factors at which the parts fit best, in the order they were added; below 0 with their polarity turned, which
     *                   parts that have sound in common can do against each other
     */
    public record Result(double explained, List<Double> pieces, List<Double> gains) {}

    public AddsUp(MonoSound reference) throws IOException {
        this.reference = Outline.of(reference);
        this.hertz = reference.rate().hertz();
    }

    /** @param frame of the reference, where the part's first frame lies */
    public void add(MonoSound part, long frame) throws IOException {
        Outline outline = Outline.of(part);
        parts.add(outline.stretched(outline.step() * hertz / part.rate().hertz() / reference.step()));
        places.add(frame / reference.step());
    }

    /** Fits all that was added. */
    public Result fit() {
        int count = parts.size();
        double[][] products = new double[count][count];
        double[] onto = new double[count];
        double[][] block = new double[count][BLOCK];
        double[] mix = reference.samples();
        for (int first = 0; first + BLOCK <= mix.length; first += BLOCK * EVERY) {
            fill(block, first);
            for (int a = 0; a < count; a++) {
                for (int b = 0; b <= a; b++) {
                    products[a][b] += dot(block[a], block[b]);
                }
                for (int i = 0; i < BLOCK; i++) {
                    onto[a] += block[a][i] * mix[first + i];
                }
            }
        }
        double[] gains = solve(products, onto);
        double[] left = new double[PIECES];
        double[] all = new double[PIECES];
        for (int first = 0; first + BLOCK <= mix.length; first += BLOCK * EVERY) {
            fill(block, first);
            int piece = (int) ((long) first * PIECES / mix.length);
            for (int i = 0; i < BLOCK; i++) {
                double rest = mix[first + i];
                for (int a = 0; a < count; a++) {
                    rest -= gains[a] * block[a][i];
                }
                left[piece] += rest * rest;
                all[piece] += mix[first + i] * mix[first + i];
            }
        }
        return result(gains, left, all);
    }

    private static double dot(double[] one, double[] other) {
        double sum = 0;
        for (int i = 0; i < one.length; i++) {
            sum += one[i] * other[i];
        }
        return sum;
    }

    /** Parts lie between outline samples; a straight line between two is near enough for what is asked. */
    private void fill(double[][] block, int first) {
        for (int a = 0; a < block.length; a++) {
            double[] samples = parts.get(a).samples();
            double from = first - places.get(a);
            int whole = (int) Math.floor(from);
            double rest = from - whole;
            for (int i = 0; i < BLOCK; i++) {
                int at = whole + i;
                double here = at >= 0 && at < samples.length ? samples[at] : 0;
                double next = at + 1 >= 0 && at + 1 < samples.length ? samples[at + 1] : 0;
                block[a][i] = here + rest * (next - here);
            }
        }
    }

    private static double[] solve(double[][] products, double[] onto) {
        int count = onto.length;
        if (count == 0) {
            return onto;
        }
        RealMatrix matrix = new Array2DRowRealMatrix(count, count);
        double most = 0;
        for (int a = 0; a < count; a++) {
            most = Math.max(most, products[a][a]);
            for (int b = 0; b <= a; b++) {
                matrix.setEntry(a, b, products[a][b]);
                matrix.setEntry(b, a, products[a][b]);
            }
        }
        for (int a = 0; a < count; a++) {
            matrix.addToEntry(a, a, most * ALIKE + Double.MIN_NORMAL);
        }
        RealVector gains = new SingularValueDecomposition(matrix).getSolver().solve(new ArrayRealVector(onto));
        return gains.toArray();
    }

    private static Result result(double[] gains, double[] left, double[] all) {
        double leftSum = 0;
        double allSum = 0;
        List<Double> pieces = new ArrayList<>();
        for (int p = 0; p < PIECES; p++) {
            leftSum += left[p];
            allSum += all[p];
            pieces.add(all[p] == 0 ? 1 : Math.max(0, 1 - left[p] / all[p]));
        }
        return new Result(
                allSum == 0 ? 0 : Math.max(0, 1 - leftSum / allSum),
                pieces,
                Arrays.stream(gains).boxed().toList());
    }
}
