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
    /** Seconds of all sounds together that a machine has the memory for: some 4 kB each. */
    public static final double MOST_SECONDS = 50_000;
    /** One block in so many is looked at. */
    private static final int EVERY = 4;

    /** Below this share of the strongest, what several parts have in common is not told apart. */
    private static final double ALIKE = 1e-9;

    /** Frames of the reference for an outline sample. */
    private final double step;

    private final Sampled reference;
    private final double hertz;
    private final List<Sampled> parts = new ArrayList<>();

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
        this.step = Outline.step(reference);
        this.reference = Sampled.of(reference, 1, 0, EVERY);
        this.hertz = reference.rate().hertz();
    }

    /** @param frame of the reference, where the part's first frame lies */
    public void add(MonoSound part, long frame) throws IOException {
        double ratio = Outline.step(part) * hertz / part.rate().hertz() / step;
        parts.add(Sampled.of(part, ratio, frame / step, EVERY).within(reference));
    }

    /** Fits all that was added. */
    public Result fit() {
        int count = parts.size();
        double[][] products = new double[count][count];
        double[] onto = new double[count];
        for (int a = 0; a < count; a++) {
            for (int b = 0; b <= a; b++) {
                products[a][b] = parts.get(a).dot(parts.get(b));
            }
            onto[a] = parts.get(a).dot(reference);
        }
        double[] gains = solve(products, onto);
        double[] left = new double[PIECES];
        double[] all = new double[PIECES];
        double[] rest = new double[Sampled.BLOCK];
        int blocks = reference.blocks().length;
        for (int b = 0; b < blocks; b++) {
            float[] mix = reference.block(b);
            for (int i = 0; i < rest.length; i++) {
                rest[i] = mix[i];
            }
            for (int a = 0; a < count; a++) {
                if (parts.get(a).has(b)) {
                    float[] part = parts.get(a).block(b);
                    for (int i = 0; i < rest.length; i++) {
                        rest[i] -= gains[a] * part[i];
                    }
                }
            }
            int piece = b * PIECES / blocks;
            for (int i = 0; i < rest.length; i++) {
                left[piece] += rest[i] * rest[i];
                all[piece] += (double) mix[i] * mix[i];
            }
        }
        return result(gains, left, all);
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
