package apodex.align;

import apodex.time.SampleRate;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.LUDecomposition;
import org.apache.commons.math3.linear.RealMatrix;

/**
 * Finds among sounds the one that others add up to: a mix that nobody called one, or a group that came beside its members. Below 1.6 kHz
 * and heard in mono, as {@link AddsUp} does; one block in eight is looked at.
 */
public final class SumAmong {
    /** Beyond so many it would take longer than anybody waits. */
    public static final int MOST = 100;

    private static final int BLOCK = Outline.HERTZ / 8;
    private static final int EVERY = 8;
    /** Of a sum's energy, what its parts explain: effects take some of it away. */
    private static final double LEAST_EXPLAINED = 0.9;
    /** Sounds that are one, but for a gain. */
    private static final double ONE = 0.98;

    private static final double RIDGE = 1e-9;
    /** Amplitudes against the sum's: what counts as taken away, and what as a part at all. */
    private static final double TAKEN_AWAY = -0.1;

    private static final double PART = 0.02;

    private final List<Blocks> sounds = new ArrayList<>();

    /** What is kept of a sound: blocks of its outline on a grid that all share. */
    private record Blocks(int first, float[][] blocks) {
        double dot(Blocks other) {
            double sum = 0;
            int to = Math.min(first + blocks.length, other.first + other.blocks.length);
            for (int b = Math.max(first, other.first); b < to; b++) {
                float[] one = blocks[b - first];
                float[] two = other.blocks[b - other.first];
                for (int i = 0; i < BLOCK; i++) {
                    sum += one[i] * two[i];
                }
            }
            return sum;
        }
    }

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
        Outline outline = Outline.of(sound);
        SampleRate rate = sound.rate();
        Blocks blocks = blocks(outline.stretched(outline.step() * Outline.HERTZ / rate.hertz()), seconds);
        synchronized (sounds) {
            while (sounds.size() <= place) {
                sounds.add(new Blocks(0, new float[0][]));
            }
            sounds.set(place, blocks);
        }
    }

    private static Blocks blocks(Outline outline, double seconds) {
        double[] samples = outline.samples();
        double start = seconds * Outline.HERTZ;
        int grid = BLOCK * EVERY;
        int first = (int) Math.floor(start / grid);
        int count = (int) Math.ceil((start + samples.length) / grid) - first;
        float[][] blocks = new float[Math.max(0, count)][BLOCK];
        for (int b = 0; b < blocks.length; b++) {
            double from = (double) (first + b) * grid - start;
            int whole = (int) Math.floor(from);
            double rest = from - whole;
            for (int i = 0; i < BLOCK; i++) {
                int at = whole + i;
                double here = at >= 0 && at < samples.length ? samples[at] : 0;
                double next = at + 1 >= 0 && at + 1 < samples.length ? samples[at + 1] : 0;
                blocks[b][i] = (float) (here + rest * (next - here));
            }
        }
        return new Blocks(first, blocks);
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
