package apodex.align;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.LUDecomposition;
import org.apache.commons.math3.linear.RealMatrix;

/**
 * Finds among sounds the one that others add up to: a mix that nobody called one, or a group that came beside its members. Below 1.6 kHz
 * and heard in mono, as {@link AddsUp} does.
 */
public final class SumAmong {
    /** Beyond so many it would take longer than anybody waits. */
    public static final int MOST = 100;

    /** One block in so many is looked at. */
    private static final int EVERY = 8;
    /** Of a sum's energy, what its parts explain: effects take some of it away. */
    private static final double LEAST_EXPLAINED = 0.9;
    /** Sounds that are one, but for a gain. */
    private static final double ONE = 0.98;

    private static final double RIDGE = 1e-9;
    /** Amplitudes against the sum's: what counts as taken away, and what as a part at all. */
    private static final double TAKEN_AWAY = -0.1;

    private static final double PART = 0.02;

    private final List<Sampled> sounds = new ArrayList<>();

    /**
     * A sound that others add up to.
     *
     * @param sound     its place among those that were added
     * @param parts     places of those it is made of
     * @param explained of its energy, 0 to 1
     */
    public record Sum(int sound, List<Integer> parts, double explained) {}

    /**
     * Adds a sound; several threads may at once, each in its place.
     *
     * @param place   among all, from 0
     * @param seconds where it starts
     */
    public void add(int place, MonoSound sound, double seconds) throws IOException {
        double ratio =
                (double) Outline.step(sound) * Outline.HERTZ / sound.rate().hertz();
        Sampled sampled = Sampled.of(sound, ratio, seconds * Outline.HERTZ, EVERY);
        synchronized (sounds) {
            while (sounds.size() <= place) {
                sounds.add(new Sampled(0, new float[0][]));
            }
            sounds.set(place, sampled);
        }
    }

    /** The sum of the most parts; empty when there is none. */
    public Optional<Sum> find() {
        int all = sounds.size();
        double[] size = new double[all];
        for (int i = 0; i < all; i++) {
            size[i] = Math.sqrt(sounds.get(i).dot(sounds.get(i)));
        }
        double[][] alike = new double[all][all];
        List<Integer> kept = new ArrayList<>();
        for (int i = 0; i < all; i++) {
            boolean own = size[i] > 0;
            for (int k : kept) {
                alike[i][k] = size[i] > 0 ? sounds.get(i).dot(sounds.get(k)) / (size[i] * size[k]) : 0;
                alike[k][i] = alike[i][k];
                own &= Math.abs(alike[i][k]) < ONE;
            }
            if (own) {
                kept.add(i);
            }
        }
        return kept.size() < 3 ? Optional.empty() : find(kept, alike);
    }

    private static Optional<Sum> find(List<Integer> kept, double[][] alike) {
        int count = kept.size();
        RealMatrix matrix = new Array2DRowRealMatrix(count, count);
        for (int a = 0; a < count; a++) {
            for (int b = 0; b < count; b++) {
                matrix.setEntry(a, b, a == b ? 1 + RIDGE : alike[kept.get(a)][kept.get(b)]);
            }
        }
        RealMatrix inverse =
                new LUDecomposition(matrix, Double.MIN_NORMAL).getSolver().getInverse();
        Sum best = null;
        for (int a = 0; a < count; a++) {
            double explained = 1 - 1 / inverse.getEntry(a, a);
            List<Integer> parts = new ArrayList<>();
            boolean takenAway = false;
            for (int b = 0; b < count; b++) {
                double gain = b == a ? 0 : -inverse.getEntry(a, b) / inverse.getEntry(a, a);
                takenAway |= gain < TAKEN_AWAY;
                if (gain > PART) {
                    parts.add(kept.get(b));
                }
            }
            boolean sum = explained > LEAST_EXPLAINED && !takenAway && parts.size() > 1;
            if (sum && (best == null || parts.size() > best.parts().size())) {
                best = new Sum(kept.get(a), parts, explained);
            }
        }
        return Optional.ofNullable(best);
    }
}
